import { Check, Copy } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { saveBlob } from '../../../controls/save-text';
import { embeddedFonts } from '../../../figures/export/figure-fonts';
import { svgToPng } from '../../../figures/export/to-png';
import type { ToldFigure } from '../../../telling/told';
import { FIGURE_ON_PAGE } from './figure-on-page';

const SHOWN_MS = 1500;
/** Twice the size of a screen, so that it stays sharp where it is pasted. */
const COPIED = { ...FIGURE_ON_PAGE, resolution: 192 };

/** Copies a figure as a picture; where the browser refuses, it is saved as a file. */
export function CopyPicture({ figure }: { figure: Pick<ToldFigure, 'draw' | 'caption'> }) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    const { svg } = await figure.draw(COPIED, await embeddedFonts());
    const picture = await svgToPng(svg, COPIED);
    try {
      await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })]);
      setCopied(true);
      setTimeout(() => setCopied(false), SHOWN_MS);
    } catch {
      saveBlob('figure.png', picture);
      toast('The browser does not let this page copy pictures, so it was saved as a file.');
    }
  };
  return (
    <button
      type="button"
      className="button-quiet shrink-0 font-sans text-[13px]"
      onClick={() => void copy().catch((error: Error) => toast.error(error.message))}
    >
      {copied ? <Check size={14} aria-hidden="true" /> : <Copy size={14} aria-hidden="true" />}
      <span aria-live="polite">{copied ? 'Copied' : 'Copy picture'}</span>
    </button>
  );
}

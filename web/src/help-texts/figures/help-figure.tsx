import { useRef } from 'react';
import { useElementWidth } from '../../controls/use-element-width';
import { CloudOfChoice } from './cloud-of-choice';
import { FIGURE_WIDTH, FIGURES } from './figures';

const NARROWEST = 440;

/** The drawing that a page names by its file, with what can be done with it. */
export function HelpFigure({ file, label }: { file: string; label: string }) {
  const name = file.slice(file.lastIndexOf('/') + 1).replace('.svg', '');
  const Drawing = FIGURES[name];
  const room = useRef<HTMLDivElement>(null);
  const width = useElementWidth(room);
  if (!Drawing) throw new Error(`Help has no figure ${file}.`);
  return (
    <figure className="break-inside-avoid font-sans">
      <div ref={room} className="overflow-x-auto">
        <Drawing width={width > 0 ? Math.max(NARROWEST, Math.min(FIGURE_WIDTH, width)) : FIGURE_WIDTH} label={label} />
      </div>
      {name === 'clouds' && <CloudOfChoice />}
      <details className="mt-1 text-[13px] text-muted print:hidden">
        <summary className="cursor-pointer">The figure in words</summary>
        <p className="mt-1 max-w-[640px]">{label}</p>
      </details>
    </figure>
  );
}

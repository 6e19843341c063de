import { Download } from 'lucide-react';
import { lazy, type ReactNode, Suspense, useCallback, useRef, useState } from 'react';
import type { BuildFigure } from './figure-options';
import { svgOfElement } from './svg-of-element';

const ExportFigureDialog = lazy(async () => ({ default: (await import('./export-figure-dialog')).ExportFigureDialog }));

interface SaveFigureProps {
  /** Of the file, without its ending. */
  readonly name: string;
  readonly caption: string;
  /** The figure, whose first drawing is what is saved. */
  readonly children: ReactNode;
}

/** A figure on screen with a button that saves it as SVG or PNG, in the colours of the day. */
export function SaveFigure({ name, caption, children }: SaveFigureProps) {
  const holder = useRef<HTMLDivElement>(null);
  const [open, setOpen] = useState(false);
  const build = useCallback<BuildFigure>(
    async (options, fontFace) => {
      const drawing = holder.current?.querySelector('svg');
      if (!drawing) throw new Error('There is no figure to save yet.');
      return svgOfElement(drawing, { title: name, caption, ...options, ...(fontFace ? { fontFace } : {}) });
    },
    [name, caption],
  );
  return (
    <div ref={holder} className="group/figure relative">
      {children}
      <button
        type="button"
        className="icon-button absolute top-0 right-0 opacity-0 group-hover/figure:opacity-100 focus-visible:opacity-100"
        aria-label={`Save the figure: ${name}`}
        onClick={() => setOpen(true)}
      >
        <Download size={14} />
      </button>
      {open && (
        <Suspense fallback={null}>
          <ExportFigureDialog
            name={name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}
            build={build}
            ownSizes
            onClose={() => setOpen(false)}
          />
        </Suspense>
      )}
    </div>
  );
}

import { lazy, Suspense, useState } from 'react';
import type { BuildFigure } from './figure-options';

const ExportFigureDialog = lazy(async () => ({ default: (await import('./export-figure-dialog')).ExportFigureDialog }));

interface ExportFigureButtonProps {
  /** Of the file, without its ending. */
  readonly name: string;
  /** null while there is nothing to export. */
  readonly build: BuildFigure | null;
}

export function ExportFigureButton({ name, build }: ExportFigureButtonProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="button-quiet text-[13px]" disabled={!build} onClick={() => setOpen(true)}>
        Export …
      </button>
      {open && build && (
        <Suspense fallback={null}>
          <ExportFigureDialog name={name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()} build={build} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

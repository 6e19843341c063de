import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { CopyButton } from '../../controls/copy-button';
import { CloseButton, Modal } from '../../controls/modal';
import { saveBlob } from '../../controls/save-text';
import { embeddedFonts } from './figure-fonts';
import { type BuildFigure, FIGURE_DEFAULTS, type Figure, type FigureOptions, LIMITS, problemWith } from './figure-options';
import { svgToPng } from './to-png';

interface ExportFigureDialogProps {
  /** Of the file, without its ending. */
  readonly name: string;
  /** Makes the figure; stays the same function as long as it makes the same. */
  readonly build: BuildFigure;
  /** A drawing of the page brings the sizes of its words along, so that only its width can be chosen. */
  readonly ownSizes?: boolean;
  readonly onClose: () => void;
}

const NUMBERS = [
  { field: 'width', label: 'Width', unit: 'mm' },
  { field: 'font', label: 'Font size', unit: 'pt' },
  { field: 'resolution', label: 'Resolution of a PNG', unit: 'dots per inch' },
] as const;

/** The figure as it will be, its size and colours to choose, and its caption. */
export function ExportFigureDialog({ name, build, ownSizes = false, onClose }: ExportFigureDialogProps) {
  const [options, setOptions] = useState<FigureOptions>(FIGURE_DEFAULTS);
  const [made, setMade] = useState<{ readonly figure: Figure; readonly options: FigureOptions } | null>(null);
  const [preview, setPreview] = useState('');
  const [failure, setFailure] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const problem = problemWith(options);
  const figure = made?.figure ?? null;
  // What is shown may be of the options before, while the new one is made.
  const isReady = made?.options === options && problem === null && !isBusy;
  useEffect(() => {
    if (problem) return;
    let current = true;
    let address = '';
    setFailure(null);
    const make = async () => {
      const built = await build(options, await embeddedFonts());
      if (!current) return;
      address = URL.createObjectURL(new Blob([built.svg], { type: 'image/svg+xml' }));
      setMade({ figure: built, options });
      setPreview(address);
    };
    make().catch((error: unknown) => {
      if (current) setFailure(error instanceof Error ? error.message : 'The figure could not be made.');
    });
    return () => {
      current = false;
      URL.revokeObjectURL(address);
    };
  }, [build, options, problem]);
  const save = async (format: 'svg' | 'png') => {
    if (!figure || !isReady) return;
    setBusy(true);
    try {
      // The file for print has no font in it: programs that open it have their own.
      const blob =
        format === 'png' ? await svgToPng(figure.svg, options) : new Blob([(await build(options)).svg], { type: 'image/svg+xml' });
      saveBlob(`${name}.${format}`, blob);
    } catch (error) {
      toast.error(error instanceof Error ? error.message : 'The figure could not be made.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <Modal title="Export the figure" className="w-[60rem]" onClose={onClose}>
      <div className="flex min-h-0 gap-6">
        <div className="flex w-64 shrink-0 flex-col gap-3">
          {NUMBERS.filter(({ field }) => field !== 'font' || !ownSizes).map(({ field, label, unit }) => (
            <label key={field} className="block">
              <span className="block text-[13px] text-muted">{label}</span>
              <span className="flex items-baseline gap-2">
                <input
                  type="number"
                  className="field w-24"
                  min={LIMITS[field][0]}
                  max={LIMITS[field][1]}
                  defaultValue={options[field]}
                  onChange={(event) => setOptions({ ...options, [field]: event.target.valueAsNumber })}
                />
                {unit}
              </span>
            </label>
          ))}
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-accent"
              checked={options.colour}
              onChange={(event) => setOptions({ ...options, colour: event.target.checked })}
            />
            In colour
          </label>
          {(problem ?? failure) && (
            <p role="alert" className="text-caution">
              {problem ?? failure}
            </p>
          )}
          {figure && !figure.shapes && !problem && (
            <p className="text-[13px] text-muted">The points are too many to be shapes of their own: each panel’s are one picture.</p>
          )}
          <div className="mt-auto flex flex-wrap gap-2">
            <button type="button" className="button-primary" disabled={!isReady} onClick={() => void save('svg')}>
              Save SVG
            </button>
            <button type="button" className="button-primary" disabled={!isReady} onClick={() => void save('png')}>
              Save PNG
            </button>
            <CloseButton>Close</CloseButton>
          </div>
        </div>
        <div className="flex min-w-0 flex-1 flex-col gap-3">
          <div className="flex min-h-64 flex-1 items-center justify-center overflow-hidden rounded border border-rule bg-surface">
            {preview ? (
              <img src={preview} alt="The figure as it will be" className="max-h-[62vh] max-w-full" />
            ) : (
              !failure && <p className="text-muted">Drawing …</p>
            )}
          </div>
          {figure && (
            <figure className="flex items-start gap-3">
              <figcaption className="max-h-28 flex-1 overflow-y-auto font-serif text-[15px]" data-testid="figure-caption">
                {figure.caption}
              </figcaption>
              <CopyButton className="shrink-0 text-[13px]" label="Copy caption" text={figure.caption} />
            </figure>
          )}
        </div>
      </div>
    </Modal>
  );
}

import { Lasso, Square } from 'lucide-react';
import { Hint } from '../../../controls/tooltip';
import type { BrushShape } from '../brushing/use-brush';
import type { Combining } from '../plotting/plotter';

interface BrushToolsProps {
  readonly shape: BrushShape;
  readonly onShape: (shape: BrushShape) => void;
  readonly combining: Combining;
  readonly onCombining: (combining: Combining) => void;
}

const SHAPES = [
  { id: 'rectangle', name: 'Rectangle', Icon: Square },
  { id: 'lasso', name: 'Lasso', Icon: Lasso },
] as const;
const COMBININGS = [
  { id: 'new', name: 'new', hint: 'Each brush selects anew' },
  { id: 'add', name: 'add', hint: 'Adds to what is selected (or hold Shift)' },
  { id: 'intersect', name: 'narrow', hint: 'Keeps only what is selected already (or hold Alt)' },
] as const;

/** The shape of the brush, and what a second brush does with the first. */
export function BrushTools({ shape, onShape, combining, onCombining }: BrushToolsProps) {
  const pressed = (on: boolean) =>
    `inline-flex items-center gap-1 rounded px-1.5 py-0.5 ${on ? 'bg-accent-soft text-accent' : 'text-muted hover:text-ink'}`;
  return (
    <div role="group" aria-label="Brush" className="flex items-center gap-1 text-[13px]">
      <span className="text-muted">Brush</span>
      {SHAPES.map(({ id, name, Icon }) => (
        <Hint key={id} text={`${name}: drag across a panel`}>
          <button type="button" aria-pressed={shape === id} aria-label={name} className={pressed(shape === id)} onClick={() => onShape(id)}>
            <Icon size={15} aria-hidden="true" />
          </button>
        </Hint>
      ))}
      <span className="mx-1 h-4 border-l border-rule" />
      {COMBININGS.map(({ id, name, hint }) => (
        <Hint key={id} text={hint}>
          <button type="button" aria-pressed={combining === id} className={pressed(combining === id)} onClick={() => onCombining(id)}>
            {name}
          </button>
        </Hint>
      ))}
    </div>
  );
}

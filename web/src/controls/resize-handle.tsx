import type { PointerEvent } from 'react';

interface ResizeHandleProps {
  readonly label: string;
  /** The edge of the panel that the handle sits on. */
  readonly side: 'left' | 'right';
  readonly width: number;
  readonly min: number;
  readonly max: number;
  readonly initial: number;
  readonly onChange: (width: number) => void;
}

const STEP = 16;

/** The edge of a panel: drag it, or focus it and use the arrow keys; a double click restores the usual width. */
export function ResizeHandle({ label, side, width, min, max, initial, onChange }: ResizeHandleProps) {
  const grows = side === 'right' ? 1 : -1;
  const clamp = (value: number) => Math.round(Math.max(min, Math.min(max, value)));
  const drag = (down: PointerEvent<HTMLDivElement>) => {
    const handle = down.currentTarget;
    handle.setPointerCapture(down.pointerId);
    const move = (event: globalThis.PointerEvent) => onChange(clamp(width + grows * (event.clientX - down.clientX)));
    handle.addEventListener('pointermove', move);
    handle.addEventListener('lostpointercapture', () => handle.removeEventListener('pointermove', move), { once: true });
  };
  return (
    <div
      role="separator"
      aria-label={label}
      aria-orientation="vertical"
      aria-valuenow={width}
      aria-valuemin={min}
      aria-valuemax={max}
      tabIndex={0}
      onPointerDown={drag}
      onDoubleClick={() => onChange(initial)}
      onKeyDown={(event) => {
        if (event.key === 'ArrowRight') onChange(clamp(width + grows * STEP));
        if (event.key === 'ArrowLeft') onChange(clamp(width - grows * STEP));
      }}
      className={`absolute inset-y-0 z-10 w-1.5 cursor-col-resize touch-none hover:bg-accent/30 ${side === 'right' ? '-right-0.5' : '-left-0.5'}`}
    />
  );
}

/** The shape of the grid while it is computed. */
export function GridSkeleton({ size }: { size: number }) {
  const cells = Array.from({ length: size * size }, (_, i) => i).filter((i) => i % size <= Math.floor(i / size));
  return (
    <div role="status" aria-label="Computing the correlations" className="p-5">
      <div className="grid gap-0.5 pl-28" style={{ gridTemplateColumns: `repeat(${size}, minmax(0, 72px))` }}>
        {cells.map((i) => (
          <div key={i} className="h-10 rounded bg-rule/60" style={{ gridColumn: (i % size) + 1, gridRow: Math.floor(i / size) + 1 }} />
        ))}
      </div>
    </div>
  );
}

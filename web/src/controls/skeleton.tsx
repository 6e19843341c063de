/** Holds the place of what is being computed, and says so to those who listen. */
export function Skeleton({ label, className, height }: { label: string; className: string; height?: number }) {
  return (
    <div role="status" aria-label={label} className={`rounded bg-rule/50 ${className}`} style={height === undefined ? {} : { height }} />
  );
}

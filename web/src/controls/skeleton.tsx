/** Holds the place of what is being computed, and says so to those who listen. */
export function Skeleton({ label, className }: { label: string; className: string }) {
  return <div role="status" aria-label={label} className={`rounded bg-rule/50 ${className}`} />;
}

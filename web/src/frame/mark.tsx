/** The mark: two strokes that cross, one rising and one falling. */
export function Mark() {
  return (
    <svg viewBox="0 0 24 24" className="size-5" fill="none" strokeWidth="2.6" strokeLinecap="round" aria-hidden="true">
      <path d="M3 19C9 17 12 14 21 5" stroke="var(--positive)" />
      <path d="M3 5c6 2 9 5 18 14" stroke="var(--accent)" />
    </svg>
  );
}

/** The most that the axis shows before exactly all: a VIF of ten thousand. */
const WIDEST = 10_000;

/** An axis of shares that opens up toward 100 %: equal steps are equal factors of VIF. */
export interface ShareAxis {
  /** Where a VIF stands, from 0 at 0 % to 1 at the end. */
  readonly at: (inflation: number) => number;
  /** Places that carry their share and VIF. */
  readonly ticks: readonly { readonly vif: number; readonly at: number; readonly share: string }[];
}

const TICKS = [
  [1, '0 %'],
  [2, '50 %'],
  [5, '80 %'],
  [10, '90 %'],
  [100, '99 %'],
  [1000, '99.9 %'],
  [10_000, '99.99 %'],
] as const;

/** @param largest of all inflations that are to be shown, ghosts too; infinite ones stand at the end */
export function shareAxis(largest: number): ShareAxis {
  const finite = Number.isFinite(largest) ? Math.min(WIDEST, Math.max(largest, 20)) : WIDEST;
  const end = Math.log10(Math.min(WIDEST, finite * 1.3));
  const at = (inflation: number) => Math.max(0, Math.min(1, Math.log10(inflation) / end));
  return { at, ticks: TICKS.filter(([vif]) => Math.log10(vif) <= end + 1e-9).map(([vif, share]) => ({ vif, share, at: at(vif) })) };
}

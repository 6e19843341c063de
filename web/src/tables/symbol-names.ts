/** Names of columns that papers set in italics. */
const SYMBOLS = new Set(['M', 'SD', 'SE', 'n', 'N', 'r', 'p', 't', 'F', 'b', 'z', 'q', 'Q', 'df', 'R²', 'ΔR²', 'r²', 'ρ', 'τ', 'W']);

/** Whether a column's name is the symbol of a statistic. */
export function isSymbol(name: string): boolean {
  return SYMBOLS.has(name.replace(/\(\d+\)$/, ''));
}

const SUPERSCRIPTS = '⁰¹²³⁴⁵⁶⁷⁸⁹';
/** From here on digits are in groups of three: a year is not "2,004". */
const GROUPED_FROM = 10_000;

/** A number's text, from `toFixed` or as JavaScript writes it, with groups of three digits and a true minus sign. */
export function grouped(text: string): string {
  const [, sign = '', whole = '', rest = ''] = /^(-?)(\d+)(\.\d+)?$/.exec(text) ?? [];
  if (whole === '') return text.replaceAll('-', '−');
  const digits = Number(whole) >= GROUPED_FROM ? whole.replaceAll(/\B(?=(\d{3})+$)/g, ',') : whole;
  return `${sign === '-' ? '−' : ''}${digits}${rest}`;
}

/** A number as a power of ten: "1.5 × 10⁶". @param digits of the factor behind its point; as many as it has where left out */
export function powerOfTen(value: number, digits?: number): string {
  if (value === 0) return '0';
  const [factor = '', exponent = ''] = (digits === undefined ? value.toExponential() : value.toExponential(digits)).split('e');
  const raised = [...exponent.replace('+', '')].map((sign) => (sign === '-' ? '⁻' : SUPERSCRIPTS[Number(sign)])).join('');
  return `${factor.replace('-', '−')} × 10${raised}`;
}

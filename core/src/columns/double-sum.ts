const SPLITTER = 2 ** 27 + 1;

/** What a·b is short of its rounded product. Source: Dekker (1971). Splitting overflows beyond 1e300: then 0. */
function productError(a: number, b: number, product: number): number {
  const ca = SPLITTER * a;
  const cb = SPLITTER * b;
  const ah = ca - (ca - a);
  const bh = cb - (cb - b);
  const al = a - ah;
  const bl = b - bh;
  const error = ah * bh - product + ah * bl + al * bh + al * bl;
  return Number.isFinite(error) ? error : 0;
}

/** A sum kept in twice the working precision. Source: Knuth (1998), 4.2.2, theorem B. */
export class DoubleSum {
  high = 0;
  low = 0;

  add(value: number): void {
    const sum = this.high + value;
    const part = sum - this.high;
    this.low += this.high - (sum - part) + (value - part);
    this.high = sum;
  }

  addProduct(a: number, b: number): void {
    const product = a * b;
    this.add(product);
    this.low += productError(a, b, product);
  }

  value(): number {
    return this.high + this.low;
  }

  /** The sum divided by a whole number, correctly rounded but for the last half unit. */
  dividedBy(n: number): number {
    const quotient = this.high / n;
    const product = quotient * n;
    return quotient + (this.high - product - productError(quotient, n, product) + this.low) / n;
  }
}

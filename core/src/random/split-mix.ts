const MASK = (1n << 64n) - 1n;

/**
 * Words of 64 bits from a seed of 64 bits, each a mixture of all of them: neighbouring seeds have nothing in common.
 * Source: Steele, Lea & Flood (2014), splitmix64, with the constants of variant 13 of Stafford.
 *
 * @example
 * splitMix64(1234567n)(); // 6457827717110365317n
 */
export function splitMix64(seed: bigint): () => bigint {
  let state = seed & MASK;
  return () => {
    state = (state + 0x9e3779b97f4a7c15n) & MASK;
    let word = state;
    word = ((word ^ (word >> 30n)) * 0xbf58476d1ce4e5b9n) & MASK;
    word = ((word ^ (word >> 27n)) * 0x94d049bb133111ebn) & MASK;
    return word ^ (word >> 31n);
  };
}

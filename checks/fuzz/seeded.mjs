/** Numbers of a seed (mulberry32, T. Ettinger 2017): the same run finds the same faults. */
export function seeded(seed) {
  let state = seed >>> 0;
  const unit = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const below = (most) => Math.floor(unit() * most);
  return { unit, below, pick: (list) => list[below(list.length)] };
}

import { type ReactNode, useId, useState } from 'react';

const [FEWEST, MOST] = [99, 1_000_000];
const LARGEST_SEED = 2_147_483_647;

export interface Drawn {
  readonly times: number;
  readonly seed: number;
}

interface SamplesAndSeed {
  readonly fields: ReactNode;
  /** What is wrong with what was written, in words; null where nothing is. */
  readonly problem: ReactNode;
  /** What was written, or null where that is no number of samples or no seed, which is then said. */
  read(usual: number): Drawn | null;
}

/** How many samples are drawn, and the seed that makes them repeatable. @param name "samples", "permutations" */
export function useSamplesAndSeed(name: string, usual: number): SamplesAndSeed {
  const ids = [useId(), useId()] as const;
  const [times, setTimes] = useState('');
  const [seed, setSeed] = useState('1');
  const [wrong, setWrong] = useState<string | null>(null);
  const capital = `${name.slice(0, 1).toUpperCase()}${name.slice(1)}`;
  return {
    fields: (
      <>
        <label htmlFor={ids[0]} className="text-muted">
          {name}
          <input
            id={ids[0]}
            className="field mt-0.5 block w-24"
            value={times}
            placeholder={String(usual)}
            onChange={(event) => setTimes(event.target.value)}
          />
        </label>
        <label htmlFor={ids[1]} className="text-muted">
          seed
          <input id={ids[1]} className="field mt-0.5 block w-20" value={seed} onChange={(event) => setSeed(event.target.value)} />
        </label>
      </>
    ),
    problem: wrong && (
      <p role="alert" className="mt-1.5 text-[13px] text-caution">
        {wrong}
      </p>
    ),
    read: (otherwise) => {
      const count = times.trim() === '' ? otherwise : Number(times);
      const start = Number(seed);
      const usable = Number.isInteger(count) && count >= FEWEST && count <= MOST;
      const seeded = Number.isInteger(start) && start >= 0 && start <= LARGEST_SEED;
      setWrong(usable ? (seeded ? null : 'A seed is a whole number from 0.') : `${capital}: a whole number from 99 to 1,000,000.`);
      return usable && seeded ? { times: count, seed: start } : null;
    },
  };
}

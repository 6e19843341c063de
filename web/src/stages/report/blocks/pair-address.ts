import type { Study } from '@ivlen/contract';
import type { WrittenReport } from '../written-report';

const STAGE = 'correlations';

/** Where the pair is looked at that a number of a block is of; null where it is of no single pair. */
export function pairAddress(study: Study, { blocks }: Pick<WrittenReport, 'blocks'>, block: string, key: string): string | null {
  const written = blocks.find((item) => item.block.id === block);
  const pairs = written?.state?.pin?.told.pairs ?? [];
  const pair = pairs.length === 1 ? pairs[0] : pairs.find(({ x, y }) => key.includes(`${x.id}~${y.id}`));
  if (!pair || ![pair.x, pair.y].every(({ id }) => study.state.variables.some((variable) => variable.id === id))) return null;
  return `/studies/${study.id}/${STAGE}?pair=${pair.x.id}~${pair.y.id}`;
}

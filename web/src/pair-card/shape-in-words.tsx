import type { Study } from '@ivlen/contract';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useShapeMarks } from '../settings/use-shape-marks';
import { useStudyPath } from '../study/read-only';
import { displayName } from '../study/variable-name';
import type { Pair } from './use-pair-selection';

/** What is marked of the shape of the two variables, under the rule that was chosen in the Shape stage. */
export function ShapeInWords({ study, pair: { x, y } }: { study: Study; pair: Pair }) {
  const both = useMemo(() => [x, y], [x, y]);
  const { marked, rule } = useShapeMarks(study, both);
  const path = useStudyPath();
  const shaped = both.filter(({ id }) => marked.has(id));
  if (shaped.length === 0) return null;
  return (
    <>
      Marked by its shape: {shaped.map((variable) => `${displayName(variable)} is ${marked.get(variable.id)}`).join(', ')}. Beyond {rule}, r
      may rest on few values and its interval can be off; the test of no association is less touched (
      <Link to={`${path}/shape?open=${shaped[0]?.id}`} className="text-accent underline">
        see the shape
      </Link>
      ).
    </>
  );
}

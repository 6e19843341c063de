import type { Study } from '@ivlen/contract';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useStudyPath } from '../frame/read-only';
import type { Pair } from '../stages/correlations/use-pair-selection';
import { useShapeMarks } from '../stages/shape/use-shape-marks';
import { displayName } from '../variable-name';

/** Cautions about the shape of the two variables, under the rule that was chosen in the Shape stage. */
export function ShapeCautions({ study, pair: { x, y } }: { study: Study; pair: Pair }) {
  const both = useMemo(() => [x, y], [x, y]);
  const { marked, rule } = useShapeMarks(study, both);
  const path = useStudyPath();
  const shaped = both.filter(({ id }) => marked.has(id));
  if (shaped.length === 0) return null;
  return (
    <p className="mt-3 border-l-4 border-caution bg-caution-soft px-3 py-2">
      {shaped.map((variable) => `${capital(displayName(variable))} is ${marked.get(variable.id)}.`).join(' ')} Beyond {rule}, r may rest on
      few values and its interval can be off; the test of no association is less touched.{' '}
      <Link to={`${path}/shape?open=${shaped[0]?.id}`} className="text-accent underline">
        See the shape
      </Link>
    </p>
  );
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

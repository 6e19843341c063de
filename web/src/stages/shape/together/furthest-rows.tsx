import type { JointResult, Study, Variable } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { asMeasured } from '../../../figures/as-measured';
import { pText } from '../../../numbers/number-text';
import { useReadOnly } from '../../../study/read-only';
import { SetAsideMenu } from '../../../study/set-aside-menu';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';

interface FurthestRowsProps {
  readonly study: Study;
  readonly data: JointResult;
  readonly variables: readonly Variable[];
}

/** The rows furthest from the common mean, by name, with the values that set them apart. */
export function FurthestRows({ study, data, variables }: FurthestRowsProps) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  if (data.furthest.length === 0) return null;
  return (
    <section className="mt-5">
      <h3 className="text-[13px] font-normal text-muted">The rows furthest out, and what sets them apart</h3>
      <ul aria-label="Rows furthest out">
        {data.furthest.map(({ row, name, distance, pValue, unusual }) => {
          const beyond = pValue * data.n <= 0.05;
          return (
            <li key={row} className="border-b border-rule py-1.5">
              <p className="numerals flex items-baseline gap-3">
                <span className={beyond ? 'font-semibold text-caution' : 'font-semibold'}>
                  row {row.toLocaleString('en-GB')}
                  {name !== null && ` (${name})`}
                </span>
                <span className="text-[13px] text-muted">
                  d² {formatFixed(distance, 1)}, p × n {pText(Math.min(1, pValue * data.n))}
                </span>
                {!readOnly && (
                  <SetAsideMenu
                    label="set aside …"
                    name={`Set row ${row} aside`}
                    className="button-quiet ml-auto text-[13px]"
                    disabled={change.isPending}
                    onChoose={(because, words) =>
                      change.mutate({
                        change: { type: 'set-aside', choice: { rows: [[row, row]] }, because },
                        ...(words ? { reason: words } : {}),
                      })
                    }
                  />
                )}
              </p>
              <p className="text-[13px]">{unusual.map((item) => inWords(item, variables)).join('; ')}</p>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** "ph 74: 15.6 SDs above its mean, 15.1 above what the other values suggest". */
function inWords(
  { variable, value, fromMean, givenOthers }: JointResult['furthest'][number]['unusual'][number],
  variables: readonly Variable[],
): string {
  const entry = variables.find(({ id }) => id === variable);
  const shown = asMeasured(Number(value.toPrecision(6)));
  const side = (amount: number) => (amount < 0 ? 'below' : 'above');
  const named = `${displayName(entry ?? { name: variable })} ${shown}${entry?.unit ? ` ${entry.unit}` : ''}`;
  return `${named}: ${formatFixed(Math.abs(fromMean), 1)} SDs ${side(fromMean)} its mean, ${formatFixed(Math.abs(givenOthers), 1)} ${side(givenOthers)} what the others suggest`;
}

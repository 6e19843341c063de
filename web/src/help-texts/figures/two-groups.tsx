import { formatFixed, pearson } from '@ivlen/core';
import { coefficientText, pRelationText, relationText } from '../../numbers/number-text';
import { demoTexts, demoValues } from '../demo-values';
import type { FigureProps } from './figure-props';
import { Dots, Panel } from './panel';

const [WIDTH, HEIGHT] = [420, 280];
const GROUPS = [
  { value: 0, text: '0: any other' },
  { value: 1, text: '1: granite' },
] as const;
/** How far points of a group are moved apart. */
const APART = 0.22;

/** A quantity of the demo in two groups, with their means and the line through both. */
export function TwoGroups({ label }: FigureProps) {
  const elevation = demoValues('elevation');
  const granite = Float64Array.from(demoTexts('geology'), (text) => (text === 'granite' ? 1 : 0));
  const { coefficient, pValue, statistic } = pearson(granite, elevation);
  const means = [0, 1].map((group) => {
    const values = elevation.filter((_, i) => granite[i] === group);
    return values.reduce((sum, value) => sum + value, 0) / values.length;
  });
  const [other = 0, own = 0] = means;
  return (
    <svg width={WIDTH} height={HEIGHT} role="img" aria-label={label}>
      <Panel
        left={0}
        width={WIDTH}
        height={HEIGHT}
        x={[-0.5, 1.5]}
        y={[...elevation]}
        xLabel="bedrock"
        xTicks={GROUPS}
        yLabel="elevation, m"
        title={`${relationText('r', coefficientText(coefficient))}, t(${statistic?.df}) = ${formatFixed(statistic?.value ?? Number.NaN, 2)}, ${pRelationText(pValue)}`}
      >
        {(x, y) => (
          <>
            <Dots
              x={[...granite].map((group, i) => x(group + APART * ((i * 0.618) % 1) * 2 - APART))}
              y={[...elevation].map((value) => y(value))}
            />
            <line x1={x(0)} x2={x(1)} y1={y(other)} y2={y(own)} stroke="var(--accent)" strokeWidth={2} />
            {means.map((mean, group) => (
              <line
                key={group}
                x1={x(group - APART * 1.3)}
                x2={x(group + APART * 1.3)}
                y1={y(mean)}
                y2={y(mean)}
                stroke="var(--accent)"
                strokeWidth={3}
              />
            ))}
          </>
        )}
      </Panel>
    </svg>
  );
}

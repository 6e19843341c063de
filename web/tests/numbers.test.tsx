import { correlationSettingsSchema, pairResultSchema } from '@ivlen/contract';
import { screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { DecimalsDialog } from '../src/numbers/decimals-dialog';
import {
  coefficientText,
  fineCoefficientText,
  fineIntervalText,
  intervalText,
  pRelationText,
  pText,
  USUAL_DECIMALS,
  writeNumbersWith,
} from '../src/numbers/number-text';
import { PairSentence } from '../src/pair-card/pair-sentence';
import { serve, show } from './served';
import { testStudy } from './test-study';

afterEach(() => writeNumbersWith(USUAL_DECIMALS));

it('coefficients and p follow the decimals; comparisons have three at least', () => {
  const written = () => [
    coefficientText(-0.41872),
    fineCoefficientText(0.41872),
    intervalText(-0.1, 0.35),
    fineIntervalText(-0.1, 0.35),
    pText(0.21349),
    pRelationText(0.0004),
  ];
  expect(written()).toEqual(['−.42', '.419', '[−.10, .35]', '[−.100, .350]', '.213', 'p < .001']);
  writeNumbersWith({ coefficients: 3, p: 4 });
  expect(written()).toEqual(['−.419', '.419', '[−.100, .350]', '[−.100, .350]', '.2135', 'p = .0004']);
  writeNumbersWith({ coefficients: 2, p: 2 });
  expect(written()).toEqual(['−.42', '.419', '[−.10, .35]', '[−.100, .350]', '.21', 'p < .001']);
});

it('the sentence of a pair follows them too', () => {
  const test = {
    coefficient: -0.41872,
    n: 30,
    pValue: 0.02137,
    log10P: -1.67,
    pMethod: 't',
    statistic: { name: 't', value: -2.44, df: 28 },
    interval: { low: -0.6773, high: -0.0698, level: 0.95, method: 'fisher' },
    degenerate: false,
    undefinedBecause: null,
  };
  const part = { slope: 1, intercept: 0 };
  const described = { n: 30, mean: 1, sd: 1 };
  const result = pairResultSchema.parse({
    kind: 'pair',
    n: 30,
    tests: { pearson: test, spearman: test, kendall: test },
    line: part,
    swappedLine: part,
    x: described,
    y: described,
  });
  const study = testStudy();
  const [x, y] = study.state.variables;
  if (!x || !y) throw new Error('two variables are needed');
  writeNumbersWith({ coefficients: 3, p: 4 });
  const { alternative } = correlationSettingsSchema.parse({});
  show(
    <PairSentence
      pair={{ x, y }}
      result={result}
      method="pearson"
      alternative={alternative}
      alpha={0.05}
      rowMeaning={null}
      held={[]}
      taken={null}
      adjustedP={null}
    />,
  );
  expect(screen.getByTestId('pair-sentence').textContent?.replaceAll('\u00a0', ' ')).toContain(
    'r(28) = −.419, 95 % CI [−.677, −.070], p = .0214',
  );
});

it('they are chosen for the study, with an example of each, and stored', async () => {
  const saved = { version: 1, settings: { coefficients: 2, p: 3 } };
  const sent = serve({ 'GET /settings/numbers': saved, 'PUT /settings/numbers': { version: 2, settings: null } });
  const { user } = show(<DecimalsDialog study="s" onClose={() => {}} />);
  expect(await screen.findByRole('radio', { name: '2: −.42', checked: true })).toBeTruthy();
  await user.click(screen.getByRole('radio', { name: '3: −.419' }));
  await user.click(screen.getByRole('radio', { name: '4: .0213' }));
  expect(sent.filter(({ what }) => what === 'PUT /settings/numbers').map(({ body }) => body)).toEqual([
    { version: 1, settings: { coefficients: 3, p: 3 } },
    { version: 2, settings: { coefficients: 3, p: 4 } },
  ]);
});

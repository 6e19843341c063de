import type { SinglePlotSettings, Study, Variable } from '@ivlen/contract';
import { canBeCorrelated } from '@ivlen/contract';
import { CheckList } from '../../../methods-line/check-list';
import type { MethodsPart } from '../../../methods-line/methods-parts';
import { OptionList } from '../../../methods-line/option-list';
import { makesGroups } from '../../../settings/use-grouping';
import { axisLabel, displayName } from '../../../study/variable-name';
import { ellipseInWords, overlayOptions, overlaysInWords, overlaysOn, withOverlays } from '../panel-words';

interface SingleFacts {
  readonly study: Study;
  /** "all 248 rows". */
  readonly rows: string;
  readonly x: Variable;
  readonly y: Variable;
  readonly third: Variable | null;
  readonly share: number;
  /** Whether points have a size of their own; so many are drawn alike. */
  readonly canSize: boolean;
}

type Patch = (part: Partial<SinglePlotSettings>) => void;
const NONE = 'none';
const text = (words: string): MethodsPart => ({ type: 'text', text: words });

/** The methods line over one large scatterplot. */
export function singleMethods(settings: SinglePlotSettings, facts: SingleFacts, patch: Patch): MethodsPart[] {
  const { study, x, y } = facts;
  const quantities = study.state.variables.filter(canBeCorrelated);
  const axis = (side: 'x' | 'y', current: Variable, other: Variable): MethodsPart => ({
    type: 'choice',
    text: displayName(current),
    label: side === 'x' ? 'the variable across' : 'the variable upwards',
    content: (close) => (
      <div className="max-h-96 overflow-y-auto">
        <OptionList
          label={side === 'x' ? 'Across' : 'Upwards'}
          value={current.id}
          options={quantities.filter(({ id }) => id !== other.id).map((variable) => ({ value: variable.id, name: axisLabel(variable) }))}
          onChoose={(id) => {
            patch({ [side]: id });
            close();
          }}
        />
      </div>
    ),
  });
  return [
    text('Scatterplot of '),
    axis('y', y, x),
    text(' against '),
    axis('x', x, y),
    text(` in ${facts.rows}, `),
    thirdPart(settings, facts, patch),
    text('; '),
    overlaysPart(settings, facts, patch),
    text(' laid over; '),
    extrasPart(settings, patch),
    text('.'),
  ];
}

function thirdPart({ by }: SinglePlotSettings, { study, x, y, third, canSize }: SingleFacts, patch: Patch): MethodsPart {
  const groups = study.state.variables.filter(makesGroups);
  const quantities = study.state.variables.filter((variable) => canBeCorrelated(variable) && variable.id !== x.id && variable.id !== y.id);
  const options = [
    { value: NONE, name: 'All points alike' },
    ...groups.map((variable) => ({
      value: `colour ${variable.id}`,
      name: `Coloured by ${displayName(variable)}`,
      words: 'Groups, by colour and shape.',
    })),
    ...quantities
      .filter(({ id }) => !groups.some((group) => group.id === id))
      .flatMap((variable) => [
        { value: `colour ${variable.id}`, name: `Coloured by ${displayName(variable)}` },
        ...(canSize ? [{ value: `size ${variable.id}`, name: `Sized by ${displayName(variable)}` }] : []),
      ]),
  ];
  return {
    type: 'choice',
    text: third ? `${by === 'size' ? 'sized' : 'coloured'} by ${displayName(third)}` : 'all points alike',
    label: 'a third variable',
    usual: !third,
    content: (close) => (
      <div className="max-h-96 overflow-y-auto">
        <OptionList
          label="A third variable"
          value={third ? `${by} ${third.id}` : NONE}
          options={options}
          onChoose={(chosen) => {
            const [way, ...id] = chosen.split(' ');
            patch(chosen === NONE ? { third: null } : { third: id.join(' '), by: way === 'size' ? 'size' : 'colour' });
            close();
          }}
        />
      </div>
    ),
  };
}

function overlaysPart(settings: SinglePlotSettings, { share }: SingleFacts, patch: Patch): MethodsPart {
  const chosen = overlaysOn(settings);
  return {
    type: 'choice',
    text: overlaysInWords({ ...settings, share }),
    label: 'what is laid over the points',
    content: () => (
      <CheckList
        label="Laid over the points"
        options={overlayOptions(ellipseInWords(share, false))}
        chosen={chosen}
        onChange={(next) => patch(withOverlays(next))}
      />
    ),
  };
}

function extrasPart(settings: SinglePlotSettings, patch: Patch): MethodsPart {
  const { margins, equation } = settings;
  const words = [margins ? 'distributions at the margins' : '', equation ? 'the equation of the line' : ''].filter(Boolean);
  return {
    type: 'choice',
    text: words.length > 0 ? words.join(' and ') : 'plain margins',
    label: 'margins and equation',
    content: () => (
      <CheckList
        label="Margins and equation"
        options={[
          { value: 'margins', name: 'Distributions at the margins', words: 'Histograms; densities where points are in groups.' },
          { value: 'equation', name: 'Equation of the line', words: 'Least squares over all rows, with r².' },
        ]}
        chosen={(['margins', 'equation'] as const).filter((extra) => settings[extra])}
        onChange={(next) => patch({ margins: next.includes('margins'), equation: next.includes('equation') })}
      />
    ),
  };
}

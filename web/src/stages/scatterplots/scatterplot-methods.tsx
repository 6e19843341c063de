import type { CorrelationSettings, DiagonalContent, PanelContent, ScatterplotSettings } from '@ivlen/contract';
import { diagonalContentSchema, panelContentSchema } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES } from '@ivlen/core';
import { percent } from '../../coefficients/cell-data';
import { IntervalLevel } from '../../coefficients/interval-level-editor';
import { missingPart } from '../../coefficients/row-parts';
import { CheckList } from '../../methods-line/check-list';
import type { MethodsPart } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import type { Grouping } from '../../settings/use-grouping';
import { displayName } from '../../study/variable-name';
import {
  DIAGONAL_WORDS,
  ellipseInWords,
  overlayOptions,
  overlaysInWords,
  overlaysOn,
  PANEL_WORDS,
  shareInWords,
  withOverlays,
} from './panel-words';

export interface ScatterplotFacts {
  readonly variables: number;
  /** "all 248 rows". */
  readonly rows: string;
  readonly grouping: Grouping | undefined;
  /** Outcomes and predictors, where these are the panels; null for the square. */
  readonly rectangle: { readonly outcomes: number; readonly predictors: number } | null;
  /** Some variable has few different values, so that points can be moved apart. */
  readonly canJitter: boolean;
  /** Whether rows are counted in bins since there are too many for points. */
  readonly binned: boolean;
}

type Patch<T> = (part: Partial<T>) => void;

const TOGETHER = 'together';
const SHARES = [0.5, 0.68, 0.9, 0.95, 0.99];
const text = (words: string): MethodsPart => ({ type: 'text', text: words });
const counted = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;

/** The methods line over the panels, whose parts are their controls. */
export function scatterplotMethods(
  settings: ScatterplotSettings,
  facts: ScatterplotFacts,
  patch: Patch<ScatterplotSettings>,
  correlation: CorrelationSettings,
  patchCorrelation: Patch<CorrelationSettings>,
): MethodsPart[] {
  const { rectangle } = facts;
  const of = rectangle
    ? `${counted(rectangle.outcomes, 'outcome')} against ${counted(rectangle.predictors, 'predictor')}`
    : counted(facts.variables, 'variable');
  const halves = rectangle
    ? [text(', '), halfPart('below', 'the panels', settings, patch)]
    : [
        text(', '),
        halfPart('below', 'what is shown below the diagonal', settings, patch),
        text(' below the diagonal, '),
        halfPart('above', 'what is shown above the diagonal', settings, patch),
        text(' above, '),
        diagonalPart(settings, patch),
        text(' on it'),
      ];
  return [
    text(`Scatterplots of ${of} in ${facts.rows}, `),
    groupsPart(settings, facts, patch),
    ...halves,
    text('; '),
    methodPart(settings, patch, correlation, patchCorrelation),
    text(', '),
    missingPart(correlation, patchCorrelation),
    text('; '),
    overlaysPart(settings, patch),
    text(' laid over'),
    ...jitterParts(settings, facts, patch),
    text(facts.binned ? '; so many rows are counted in bins.' : '.'),
  ];
}

function groupsPart({ perGroup }: ScatterplotSettings, { grouping }: ScatterplotFacts, patch: Patch<ScatterplotSettings>): MethodsPart {
  if (!grouping || grouping.candidates.length === 0) return text('all rows together');
  const { by, candidates } = grouping;
  return {
    type: 'choice',
    text: perGroup && by ? `coloured by ${displayName(by)}` : 'all rows together',
    label: 'whether groups are told apart',
    usual: !perGroup,
    content: (close) => (
      <OptionList
        label="Rows together or in groups"
        value={perGroup && by ? by.id : TOGETHER}
        options={[
          { value: TOGETHER, name: 'All rows together' },
          ...candidates.map((variable) => ({ value: variable.id, name: `Coloured by ${displayName(variable)}` })),
        ]}
        onChoose={(chosen) => {
          if (chosen !== TOGETHER) grouping.choose(chosen);
          patch({ perGroup: chosen !== TOGETHER, hidden: [] });
          close();
        }}
        remark="Each group has a colour and a shape; lines, curves and ellipses are each group’s own."
      />
    ),
  };
}

function halfPart(half: 'below' | 'above', label: string, settings: ScatterplotSettings, patch: Patch<ScatterplotSettings>): MethodsPart {
  const value = settings[half];
  return {
    type: 'choice',
    text: PANEL_WORDS[value].name,
    label,
    content: (close) => (
      <OptionList<PanelContent>
        label={half === 'below' ? 'Below the diagonal' : 'Above the diagonal'}
        value={value}
        options={panelContentSchema.options.map((option) => ({
          value: option,
          name: capital(PANEL_WORDS[option].name),
          words: PANEL_WORDS[option].words,
        }))}
        onChoose={(chosen) => {
          patch({ [half]: chosen });
          close();
        }}
      />
    ),
  };
}

function diagonalPart({ diagonal }: ScatterplotSettings, patch: Patch<ScatterplotSettings>): MethodsPart {
  return {
    type: 'choice',
    text: DIAGONAL_WORDS[diagonal].name,
    label: 'what is shown on the diagonal',
    content: (close) => (
      <OptionList<DiagonalContent>
        label="On the diagonal"
        value={diagonal}
        options={diagonalContentSchema.options.map((option) => ({
          value: option,
          name: capital(DIAGONAL_WORDS[option].name),
          words: DIAGONAL_WORDS[option].words,
        }))}
        onChoose={(chosen) => {
          patch({ diagonal: chosen });
          close();
        }}
      />
    ),
  };
}

function methodPart(
  { corners }: ScatterplotSettings,
  patch: Patch<ScatterplotSettings>,
  { methods, level }: CorrelationSettings,
  patchCorrelation: Patch<CorrelationSettings>,
): MethodsPart {
  const method = methods[0] ?? 'pearson';
  return {
    type: 'choice',
    text: `${COEFFICIENTS[method].name}${corners ? ` with ${percent(level)} intervals` : ''}`,
    label: 'the coefficient',
    content: () => (
      <>
        <OptionList
          label="Coefficient"
          value={method}
          options={METHOD_NAMES.map((option) => ({ value: option, name: COEFFICIENTS[option].name, words: COEFFICIENTS[option].when }))}
          onChoose={(chosen) => patchCorrelation({ methods: [chosen, ...methods.filter((item) => item !== chosen && item !== method)] })}
          remark="The same as in the Correlations stage. Panels in ranks carry ρ, or τ where that is chosen."
        />
        <IntervalLevel level={level} onChoose={(chosen) => patchCorrelation({ level: chosen })} />
        <label className="mt-2 flex gap-2 border-t border-rule px-2 pt-2">
          <input
            type="checkbox"
            className="mt-0.5 size-4 accent-accent"
            checked={corners}
            onChange={(event) => patch({ corners: event.target.checked })}
          />
          In a corner of each panel
        </label>
      </>
    ),
  };
}

function overlaysPart(settings: ScatterplotSettings, patch: Patch<ScatterplotSettings>): MethodsPart {
  const chosen = overlaysOn(settings);
  return {
    type: 'choice',
    text: overlaysInWords(settings),
    label: 'what is laid over the points',
    usual: chosen.length === 0,
    content: () => (
      <>
        <CheckList
          label="Laid over the points"
          options={overlayOptions(ellipseInWords(settings.share, settings.perGroup))}
          chosen={chosen}
          onChange={(next) => patch(withOverlays(next))}
        />
        <label className="mt-1 block px-2">
          The ellipse holds{' '}
          <select
            className="rounded border border-edge bg-surface"
            value={String(settings.share)}
            onChange={(event) => patch({ share: Number(event.target.value), ellipse: true })}
          >
            {SHARES.map((share) => (
              <option key={share} value={String(share)}>
                {shareInWords(share)}
              </option>
            ))}
          </select>{' '}
          of cases
        </label>
      </>
    ),
  };
}

function jitterParts({ jitter }: ScatterplotSettings, { canJitter }: ScatterplotFacts, patch: Patch<ScatterplotSettings>): MethodsPart[] {
  if (!canJitter) return [];
  return [
    text(', '),
    {
      type: 'choice',
      text: jitter ? 'jittered' : 'no jitter',
      label: 'whether points are moved apart',
      usual: !jitter,
      content: (close) => (
        <OptionList
          label="Points on top of each other"
          value={jitter ? 'apart' : 'as-they-are'}
          options={[
            { value: 'as-they-are', name: 'Where they are', words: 'Equal values lie on each other.' },
            {
              value: 'apart',
              name: 'Moved apart',
              words:
                'Up to a third of a step, where a variable has few different values; the same for a row each time. Coefficients are of the values.',
            },
          ]}
          onChoose={(chosen) => {
            patch({ jitter: chosen === 'apart' });
            close();
          }}
        />
      ),
    },
  ];
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

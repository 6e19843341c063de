import type { CorrelationSettings, DiagonalContent, PanelContent, ScatterplotSettings } from '@ivlen/contract';
import { diagonalContentSchema, panelContentSchema } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES } from '@ivlen/core';
import { coefficientEditors } from '../../coefficients/coefficient-editors';
import { IntervalLevel } from '../../coefficients/interval-level-editor';
import type { InUseChoice } from '../../in-use/in-use-words';
import { CheckList } from '../../methods-line/check-list';
import type { Editors } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import { TogetherOrGroups } from '../../methods-line/together-or-groups';
import type { Grouping } from '../../settings/use-grouping';
import { DIAGONAL_WORDS, ellipseInWords, overlayOptions, overlaysOn, PANEL_WORDS, shareInWords, withOverlays } from './panel-words';
import type { ScatterplotChoice } from './sentence';

type Patch<T> = (part: Partial<T>) => void;

const SHARES = [0.5, 0.68, 0.9, 0.95, 0.99];

/** What changes the choices of the sentence over the panels. */
export function scatterplotEditors(
  inUse: Editors<InUseChoice>,
  settings: ScatterplotSettings,
  grouping: Grouping | undefined,
  patch: Patch<ScatterplotSettings>,
  correlation: CorrelationSettings,
  patchCorrelation: Patch<CorrelationSettings>,
): Editors<ScatterplotChoice> {
  const { jitter, diagonal, corners } = settings;
  const { methods, level } = correlation;
  const method = methods[0] ?? 'pearson';
  const chosen = overlaysOn(settings);
  const half = (side: 'below' | 'above') => (close: () => void) => (
    <OptionList<PanelContent>
      label={side === 'below' ? 'Below the diagonal' : 'Above the diagonal'}
      value={settings[side]}
      options={panelContentSchema.options.map((option) => ({
        value: option,
        name: capital(PANEL_WORDS[option].name),
        words: PANEL_WORDS[option].words,
      }))}
      onChoose={(chosen) => {
        patch({ [side]: chosen });
        close();
      }}
    />
  );
  return {
    ...inUse,
    groups: (close) =>
      grouping && (
        <TogetherOrGroups
          by={settings.perGroup ? grouping.by : null}
          candidates={grouping.candidates}
          inWords={(name) => `Coloured by ${name}`}
          remark="Each group has a colour and a shape; lines, curves and ellipses are each group’s own."
          onChoose={(by) => {
            if (by) grouping.choose(by);
            patch({ perGroup: by !== null, hidden: [] });
            close();
          }}
        />
      ),
    below: half('below'),
    above: half('above'),
    diagonal: (close) => (
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
    method: () => (
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
    missing: coefficientEditors(correlation, [], patchCorrelation).missing,
    overlays: () => (
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
    jitter: (close) => (
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
  };
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

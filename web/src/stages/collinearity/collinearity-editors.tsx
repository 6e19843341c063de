import type { CollinearitySettings, Study, Variable } from '@ivlen/contract';
import { IntervalLevel } from '../../coefficients/interval-level-editor';
import { UsualOrOwn } from '../../controls/usual-or-own';
import { rowsEditor } from '../../in-use/in-use-editors';
import type { Editors } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import { type Chosen, canEnter } from '../../predictors/chosen-predictors';
import { displayName } from '../../study/variable-name';
import { PredictorsEditor } from './predictors-editor';
import type { CollinearityChoice } from './sentence';

interface Facts {
  readonly study: Study;
  readonly chosen: Chosen;
  readonly ticked: readonly Variable[];
}

const NO_OUTCOME = '';

/** What changes the choices of the stage’s sentence. */
export function collinearityEditors(
  { study, chosen, ticked }: Facts,
  settings: CollinearitySettings,
  patch: (part: Partial<CollinearitySettings>) => void,
): Editors<CollinearityChoice> {
  const outcome = chosen.outcome ?? chosen.refused;
  return {
    rows: rowsEditor(study),
    predictors: () => <PredictorsEditor study={study} chosen={chosen} ticked={ticked} onChange={patch} />,
    outcome: (close) => (
      <div className="max-h-80 overflow-y-auto">
        <OptionList
          label="Outcome"
          value={outcome?.id ?? NO_OUTCOME}
          options={[
            { value: NO_OUTCOME, name: 'None', words: 'Collinearity needs no outcome; the regression does.' },
            ...study.state.variables.filter(canEnter).map((variable) => ({ value: variable.id, name: displayName(variable) })),
          ]}
          onChoose={(id) => {
            patch({ outcome: id === NO_OUTCOME ? null : id, before: null });
            close();
          }}
        />
      </div>
    ),
    threshold: (close) => (
      <>
        <p className="px-2 text-[13px] text-muted">Pairs of predictors with at least this |r| are listed. Common practice, no law: .90.</p>
        <UsualOrOwn
          usual={[0.7, 0.8, 0.9, 0.95].map((value) => ({ value, name: value.toFixed(2).slice(1) }))}
          chosen={settings.threshold}
          label="Another one"
          placeholder=".85"
          read={Number}
          fits={(value) => value > 0 && value <= 1}
          problem="A correlation lies between 0 and 1, such as .85."
          onChoose={(threshold) => {
            patch({ threshold });
            close();
          }}
        />
      </>
    ),
    limit: (close) => (
      <>
        <p className="px-2 text-[13px] text-muted">
          Above it a predictor counts as told by the others. 10 means that 90 % of it are told, the cautious 5 that 80 % are. For several
          indicators of one predictor GVIF^(1/df) is judged.
        </p>
        <UsualOrOwn
          usual={[5, 10].map((value) => ({ value, name: String(value) }))}
          chosen={settings.limit}
          label="Another one"
          placeholder="4"
          read={Number}
          fits={(value) => value > 1 && value < 1e6}
          problem="A VIF is above 1, such as 4."
          onChoose={(limit) => {
            patch({ limit });
            close();
          }}
        />
      </>
    ),
    indices: (close) => (
      <OptionList
        label="Condition indices"
        value={settings.centred ? 'centred' : 'plain'}
        options={[
          {
            value: 'plain',
            name: 'With the intercept, not centred',
            words: 'As Belsley, Kuh and Welsch have them: a predictor far from 0 that hardly varies is close to the intercept, and shows.',
          },
          { value: 'centred', name: 'Of centred predictors', words: 'Only dependences among the predictors themselves show.' },
        ]}
        onChoose={(chosenOne) => {
          patch({ centred: chosenOne === 'centred' });
          close();
        }}
      />
    ),
    level: () => <IntervalLevel level={settings.level} onChoose={(level) => patch({ level })} />,
  };
}

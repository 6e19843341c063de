import { canBeCorrelated, makesGroups, type SinglePlotSettings, type Variable } from '@ivlen/contract';
import { rowsEditor } from '../../../in-use/in-use-editors';
import { CheckList } from '../../../methods-line/check-list';
import type { Editors } from '../../../methods-line/methods-parts';
import { OptionList } from '../../../methods-line/option-list';
import { axisLabel, displayName } from '../../../study/variable-name';
import { ellipseInWords, overlayOptions, overlaysOn, withOverlays } from '../panel-words';
import type { SingleChoice, SingleFacts } from './sentence';

type Patch = (part: Partial<SinglePlotSettings>) => void;
const NONE = 'none';

/** What changes the choices of the sentence over one large scatterplot. */
export function singleEditors(settings: SinglePlotSettings, facts: SingleFacts, patch: Patch): Editors<SingleChoice> {
  const { study, x, y, share } = facts;
  const quantities = study.state.variables.filter(canBeCorrelated);
  const axis = (side: 'x' | 'y', current: Variable, other: Variable) => (close: () => void) => (
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
  );
  return {
    x: axis('x', x, y),
    y: axis('y', y, x),
    rows: rowsEditor(study),
    third: (close) => <ThirdEditor settings={settings} facts={facts} patch={patch} close={close} />,
    overlays: () => (
      <CheckList
        label="Laid over the points"
        options={overlayOptions(ellipseInWords(share, false))}
        chosen={overlaysOn(settings)}
        onChange={(next) => patch(withOverlays(next))}
      />
    ),
    extras: () => (
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

interface ThirdEditorProps {
  readonly settings: SinglePlotSettings;
  readonly facts: SingleFacts;
  readonly patch: Patch;
  readonly close: () => void;
}

function ThirdEditor({ settings: { by }, facts: { study, x, y, third, canSize }, patch, close }: ThirdEditorProps) {
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
  return (
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
  );
}

import { OwnValueForm } from '../controls/own-value-form';
import { OptionList } from '../methods-line/option-list';
import { levelsInWords, readLevels } from './levels';

const USUAL: readonly (readonly number[])[] = [[0.05, 0.01, 0.001], [0.05, 0.01], [0.05], [0.1, 0.05, 0.01], [0.01, 0.001]];

/** Significance levels of the marks: one of the usual sets, or own ones. */
export function LevelsEditor({ levels, onChoose }: { levels: readonly number[]; onChoose: (levels: number[]) => void }) {
  return (
    <>
      <OptionList
        label="Significance levels"
        value={levels.join(' ')}
        options={USUAL.map((set) => ({ value: set.join(' '), name: levelsInWords(set) }))}
        onChoose={(chosen) => onChoose(chosen.split(' ').map(Number))}
      />
      <OwnValueForm
        label="Others, from one to three"
        fields={[{ placeholder: '.1 .05' }]}
        read={([text = '']) => {
          const read = readLevels(text);
          return typeof read === 'string' ? { problem: read } : { value: read };
        }}
        onUse={onChoose}
      />
    </>
  );
}

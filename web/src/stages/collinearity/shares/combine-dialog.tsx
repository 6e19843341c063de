import { correlationInTriangle } from '@ivlen/core';
import { useState } from 'react';
import { TextField } from '../../../controls/form-fields';
import { CloseButton, Modal } from '../../../controls/modal';
import { OptionList } from '../../../methods-line/option-list';
import { coefficientText } from '../../../numbers/number-text';
import { COMBINE_WAYS, COMBINE_WORDS, type CombineWay, combination, combinedName, standardScores } from '../../../predictors/combine-draft';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import type { PredictorsViewProps } from '../stage-props';
import type { ShareLine } from './share-lines';

interface CombineDialogProps extends PredictorsViewProps {
  readonly line: ShareLine;
  readonly onClose: () => void;
}

/** One predictor made of two, or of one less its mean; it takes their place among the predictors. */
export function CombineDialog({ study, chosen, patch, model, line, onClose }: CombineDialogProps) {
  const { variables } = study.state;
  const first = line.predictor.of;
  const others = chosen.predictors.filter(({ as, variable }) => as === 'quantity' && variable !== first.id).map(({ of }) => of);
  const rWith = (id: string): number => {
    const column = model.terms.find(({ of }) => of.id === id)?.columns[0];
    const own = line.term?.columns[0];
    return column === undefined || own === undefined ? Number.NaN : correlationInTriangle(model.triangle, own, column);
  };
  const closest = [...others].sort((a, b) => Math.abs(rWith(b.id) || 0) - Math.abs(rWith(a.id) || 0))[0];
  const [way, setWay] = useState<CombineWay>(closest ? 'z-mean' : 'centre');
  const [secondId, setSecondId] = useState(closest?.id ?? '');
  const second = way === 'centre' ? null : (others.find(({ id }) => id === secondId) ?? null);
  const [typed, setTyped] = useState<string | null>(null);
  const name = typed ?? combinedName(way, first, second, variables);
  const { change } = useStudyChanges(study);
  const r = second ? rWith(second.id) : 1;
  const taken = variables.some((variable) => variable.name === name.trim());
  const make = async () => {
    const scores: string[] = [];
    if (way === 'z-mean' && second) {
      for (const variable of [first, second]) {
        const score = standardScores(variable, variables);
        if ('make' in score) await change.mutateAsync({ change: { type: 'derive', definition: score.make } });
        scores.push('make' in score ? score.make.name : score.known);
      }
    }
    const [za = '', zb = ''] = scores;
    const definition = combination(way, name.trim(), { first, second, scores: way === 'z-mean' ? [za, zb] : null, r });
    if (!definition) return;
    const changed = await change.mutateAsync({ change: { type: 'derive', definition } });
    const made = changed.state.variables.find((variable) => variable.name === definition.name);
    if (made) {
      const gone = new Set([first.id, second?.id]);
      const ids = chosen.predictors.map(({ variable }) => variable);
      const at = ids.indexOf(first.id);
      patch({ from: 'own', predictors: [...ids.slice(0, at), made.id, ...ids.slice(at)].filter((id) => !gone.has(id)), before: null });
    }
    onClose();
  };
  return (
    <Modal title={`Make a predictor of ${displayName(first)}`} className="w-[30rem]" onClose={onClose}>
      <OptionList
        label="What it becomes"
        value={way}
        options={COMBINE_WAYS.filter((item) => item === 'centre' || others.length > 0).map((item) => ({
          value: item,
          ...COMBINE_WORDS[item],
        }))}
        onChoose={(next) => {
          setWay(next);
          setTyped(null);
        }}
      />
      {way !== 'centre' && (
        <label className="mt-3 block">
          <span className="block text-[13px] text-muted">{way === 'ratio' ? 'Divided by' : 'Together with'}</span>
          <select
            className="field w-full"
            value={secondId}
            onChange={(event) => {
              setSecondId(event.target.value);
              setTyped(null);
            }}
          >
            {others.map((variable) => (
              <option key={variable.id} value={variable.id}>
                {displayName(variable)} (r = {coefficientText(rWith(variable.id))})
              </option>
            ))}
          </select>
        </label>
      )}
      <div className="mt-3">
        <TextField
          label="Its name"
          value={name}
          problem={taken ? 'A variable has this name already.' : undefined}
          onChange={(event) => setTyped(event.target.value)}
        />
      </div>
      <p className="mt-2 text-[13px] text-muted">
        A derived variable, in the trail; it stands among the predictors{' '}
        {way === 'centre' ? `in the place of ${displayName(first)}` : 'in the place of both'}, which stay in the table.
        {way === 'z-mean' && r < 0 && ` They go against each other, so ${displayName(second ?? first)} is turned.`}
      </p>
      <div className="mt-4 flex gap-2">
        <button
          type="button"
          className="button-primary"
          disabled={change.isPending || taken || !name.trim() || (way !== 'centre' && !second)}
          onClick={() => void make().catch(() => {})}
        >
          Make it
        </button>
        <CloseButton>Cancel</CloseButton>
      </div>
    </Modal>
  );
}

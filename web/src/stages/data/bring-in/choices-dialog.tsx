import type { Study } from '@ivlen/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { choicesQuery, studiesQuery } from '../../../api/queries';
import { CloseButton, Modal } from '../../../controls/modal';
import { useStudyChanges } from '../../../study/use-study-changes';

/** Takes over kinds, labels, derived variables, subsets and settings of another study, and lists what does not fit. */
export function ChoicesDialog({ study, onClose }: { study: Study; onClose: () => void }) {
  const client = useQueryClient();
  const { data: studies } = useQuery(studiesQuery());
  const others = studies?.filter(({ id }) => id !== study.id) ?? [];
  const [chosen, setChosen] = useState('');
  const { change } = useStudyChanges(study);
  const { data, error } = useQuery({ ...choicesQuery(study.id, study.head, chosen), enabled: chosen !== '' });
  const takeOver = () =>
    change.mutate(
      { change: { type: 'take-over', from: chosen } },
      {
        onSuccess: () => {
          void client.invalidateQueries({ queryKey: ['settings', study.id] });
          onClose();
        },
      },
    );
  return (
    <Modal
      title="Choices of another study"
      description="What another study says of variables with the same names: kinds, units, labels, codes for missing, derived variables, subsets, ticked variables and settings. The values here stay as they are."
      className="w-[620px]"
      onClose={onClose}
    >
      <label className="block">
        <span className="mb-0.5 block text-[13px] text-muted">The study</span>
        <select className="field w-full" value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value="">choose one</option>
          {others.map(({ id, name, rows, variables }) => (
            <option key={id} value={id}>
              {name} ({rows} × {variables})
            </option>
          ))}
        </select>
      </label>
      <div className="mt-3 min-h-0 flex-1 overflow-y-auto" role="status">
        {error && <p className="text-caution">{error.message}</p>}
        {data && <Lines title="Would be taken over" lines={data.fits} />}
        {data && data.notFitting.length > 0 && <Lines title="Does not fit" lines={data.notFitting} />}
      </div>
      <div className="mt-4 flex gap-2">
        <button type="button" className="button-primary" disabled={!data || change.isPending} onClick={takeOver}>
          Take over what fits
        </button>
        <CloseButton>Cancel</CloseButton>
      </div>
    </Modal>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  return (
    <section className="mb-3">
      <h3>{title}</h3>
      <ul className="divide-y divide-rule" aria-label={title}>
        {lines.map((line) => (
          <li key={line} className="py-1">
            {line}
          </li>
        ))}
      </ul>
    </section>
  );
}

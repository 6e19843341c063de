import type { CorrelationSettings } from '@ivlen/contract';

const CHOICES: Readonly<Record<CorrelationSettings['above'], string>> = {
  p: 'p-value',
  n: 'number of rows',
  interval: '95 % interval',
  nothing: 'nothing',
};
const ORDER = ['p', 'n', 'interval', 'nothing'] as const;

/** What the half above the diagonal shows. */
export function AboveChooser({
  above,
  onChoose,
}: {
  above: CorrelationSettings['above'];
  onChoose: (above: CorrelationSettings['above']) => void;
}) {
  return (
    <label className="mb-2 inline-flex items-center gap-2 text-muted">
      Above the diagonal
      <select
        className="rounded border border-transparent bg-transparent py-0.5 text-accent hover:border-edge"
        value={above}
        onChange={(event) => onChoose(ORDER.find((choice) => choice === event.target.value) ?? 'p')}
      >
        {ORDER.map((choice) => (
          <option key={choice} value={choice} className="bg-surface text-ink">
            {CHOICES[choice]}
          </option>
        ))}
      </select>
    </label>
  );
}

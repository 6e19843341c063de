import { numberSettingsSchema } from '@ivlen/contract';
import { formatCoefficient, formatP } from '@ivlen/core';
import { CloseButton, Modal } from '../controls/modal';
import { OptionList } from '../methods-line/option-list';
import { useDecimals } from './use-decimals';

const COEFFICIENTS = [2, 3] as const;
const P_VALUES = [2, 3, 4] as const;
/** Made up: a coefficient and two p-values, one of them near a level. */
const EXAMPLE = { coefficient: -0.4187, p: 0.0213, near: 0.0496 };

/** Chooses with how many decimals the study's coefficients and p-values are written. */
export function DecimalsDialog({ study, onClose }: { study: string; onClose: () => void }) {
  const { decimals, choose } = useDecimals(study);
  const pick = (part: object) => choose(numberSettingsSchema.parse({ ...decimals, ...part }));
  return (
    <Modal
      title="Decimals"
      description="With which this study’s numbers are written, in every stage and in what is copied."
      onClose={onClose}
    >
      <h3 className="mb-1">Coefficients</h3>
      <OptionList
        label="Decimals of coefficients"
        value={String(decimals.coefficients)}
        options={COEFFICIENTS.map((count) => ({
          value: String(count),
          name: `${count}: ${formatCoefficient(EXAMPLE.coefficient, count)}`,
        }))}
        onChoose={(count) => pick({ coefficients: Number(count) })}
        remark="Where rows, groups or methods are compared, three stand either way. Files have every digit."
      />
      <h3 className="mt-4 mb-1">p</h3>
      <OptionList
        label="Decimals of p"
        value={String(decimals.p)}
        options={P_VALUES.map((count) => ({ value: String(count), name: `${count}: ${formatP(EXAMPLE.p, undefined, count)}` }))}
        onChoose={(count) => pick({ p: Number(count) })}
        remark={`Where rounding would hide on which side of a level p lies, more are shown: ${formatP(EXAMPLE.near)}.`}
      />
      <p className="mt-4">
        <CloseButton>Close</CloseButton>
      </p>
    </Modal>
  );
}

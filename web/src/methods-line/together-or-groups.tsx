import type { Variable } from '@ivlen/contract';
import { displayName } from '../study/variable-name';
import { OptionList } from './option-list';

interface TogetherOrGroupsProps {
  /** The variable that makes the groups; null where rows are together. */
  readonly by: Variable | null;
  readonly candidates: readonly Variable[];
  /** How groups of a variable are called here: "Per catchment". */
  readonly inWords: (name: string) => string;
  readonly remark: string;
  readonly onChoose: (by: string | null) => void;
}

const TOGETHER = 'together';

/** All rows together, or told apart by one of the variables that make groups. */
export function TogetherOrGroups({ by, candidates, inWords, remark, onChoose }: TogetherOrGroupsProps) {
  return (
    <OptionList
      label="Rows together or in groups"
      value={by?.id ?? TOGETHER}
      options={[
        { value: TOGETHER, name: 'All rows together' },
        ...candidates.map((variable) => ({ value: variable.id, name: inWords(displayName(variable)) })),
      ]}
      onChoose={(chosen) => onChoose(chosen === TOGETHER ? null : chosen)}
      remark={remark}
    />
  );
}

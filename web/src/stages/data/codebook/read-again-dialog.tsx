import { limitReadingSchema, type Reading, type ReadingPreview, readingSchema, type Study, type Variable } from '@ivlen/contract';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { readingPreviewQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { SelectField } from '../../../controls/form-fields';
import { CloseButton, Modal } from '../../../controls/modal';
import { Skeleton } from '../../../controls/skeleton';
import { asMeasured } from '../../../figures/as-measured';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';

const THOUSANDS = { none: 'nothing', ',': 'a comma', '.': 'a point', ' ': 'a space', "'": 'an apostrophe' } as const;
const LIMITS = { missing: 'missing', limit: 'the limit', half: 'half of the limit' } as const;
const RESISTING_NAMED = 6;

/** Reads the texts of a variable as numbers, with what would come of it before it is done. */
export function ReadAgainDialog({ study, variable, onClose }: { study: Study; variable: Variable; onClose: () => void }) {
  const [chosen, setChosen] = useState<Reading | null>(null);
  const { data, error } = useQuery({
    ...readingPreviewQuery(study.id, study.head, variable.id, chosen),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const { change } = useStudyChanges(study);
  const reading = chosen ?? data?.reading;
  const choose = (part: object) => reading && setChosen(readingSchema.parse({ ...reading, ...part }));
  return (
    <Modal
      title={`Read ${displayName(variable)} again as numbers`}
      description="Currency, units, per cent signs and footnote marks around a number are left away; undo brings the texts back."
      className="w-[560px]"
      onClose={onClose}
    >
      {error && <FailureNotice error={error} />}
      {!data && !error && <Skeleton label="Reading the texts" className="h-40" />}
      {data && reading && (
        <>
          <div className="flex gap-4">
            <SelectField label="Decimal mark" value={reading.decimal} onChange={(event) => choose({ decimal: event.target.value })}>
              <option value=".">point</option>
              <option value=",">comma</option>
            </SelectField>
            <SelectField
              label="Between thousands"
              value={reading.thousands}
              onChange={(event) => choose({ thousands: event.target.value })}
            >
              {Object.entries(THOUSANDS).map(([mark, words]) => (
                <option key={mark} value={mark}>
                  {words}
                </option>
              ))}
            </SelectField>
            {data.limits > 0 && (
              <SelectField
                label={'“<” and “>” read as'}
                value={reading.limits}
                onChange={(event) => choose({ limits: event.target.value })}
              >
                {limitReadingSchema.options.map((option) => (
                  <option key={option} value={option}>
                    {LIMITS[option]}
                  </option>
                ))}
              </SelectField>
            )}
          </div>
          <p role="status" className="mt-3">
            {readInWords(data)}
          </p>
          {data.limits > 0 && (
            <p className="mt-1 text-[13px] text-muted">
              Taken as the limit or half of it, mean, SD and r are off, the more the more such cells there are; ranks are the same for
              either, save beside values seen at the limit itself. Which limit stood in which row is kept in a variable beside it.
            </p>
          )}
          <table className="numerals mt-3" aria-label="Some texts as numbers">
            <thead>
              <tr className="border-b border-rule text-left text-[13px] text-muted">
                <th scope="col" className="pr-8 font-normal">
                  text
                </th>
                <th scope="col" className="text-right font-normal">
                  number
                </th>
              </tr>
            </thead>
            <tbody>
              {data.examples.map(({ text, value }) => (
                <tr key={text}>
                  <td className="pr-8">{text}</td>
                  <td className="text-right">{value === null ? 'missing' : asMeasured(value)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <div className="mt-4 flex gap-2">
            <button
              type="button"
              className="button-primary"
              disabled={data.read === 0 || change.isPending}
              onClick={() => change.mutate({ change: { type: 'read-as-numbers', variable: variable.id, reading } }, { onSuccess: onClose })}
            >
              Read as numbers
            </button>
            <CloseButton>Cancel</CloseButton>
          </div>
        </>
      )}
    </Modal>
  );
}

/** "46 of 48 cells hold a number; 2 do not and become missing: “n/a” (rows 3, 9)." */
export function readInWords({ cells, read, resisting, limits, unit }: ReadingPreview): string {
  const lost = cells - read;
  const named = resisting.slice(0, RESISTING_NAMED).map(({ text, rows, count }) => {
    const more = count > rows.length ? ' and more' : '';
    return `“${text}” (${count === 1 ? 'row' : 'rows'} ${rows.join(', ')}${more})`;
  });
  const others = resisting.length > RESISTING_NAMED ? ' and others' : '';
  return [
    read === 0
      ? `None of the ${cells} cells holds a number.`
      : lost === 0
        ? `All ${cells} cells hold a number.`
        : `${read} of ${cells} cells hold a number; ${lost} ${lost === 1 ? 'does not and becomes' : 'do not and become'} missing: ${named.join(', ')}${others}.`,
    limits > 0 ? `${limits} ${limits === 1 ? 'tells' : 'tell'} a limit only.` : '',
    unit ? `The unit is ${unit}.` : '',
  ]
    .filter(Boolean)
    .join(' ');
}

import { shapeSettingsSchema } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { groupsInWords } from '../../../groups/words';
import { PinButton } from '../../../pins/pin-button';
import { ruleInWords } from '../../../settings/shape-rule-in-words';
import { useSettings } from '../../../settings/use-settings';
import { ValueTableView } from '../../../tables/value-table-view';
import type { SubgroupProps } from '../stage-props';
import { describedGroups, groupDescriptivesRequest, groupDescriptivesTable, narrowInWords } from './described-groups';

const SHAPE_DEFAULTS = shapeSettingsSchema.parse({});

/** What each variable is like in each group: a group’s smaller spread alone can lower its coefficients. */
export function GroupDescriptives({ study, variables, settings, taking }: Omit<SubgroupProps, 'compared' | 'layout' | 'patch'>) {
  const { settings: shape } = useSettings(study.id, 'shape', SHAPE_DEFAULTS);
  const request = groupDescriptivesRequest(variables, settings, taking);
  const { data, error } = useQuery(analysisQuery(study.id, study.head, request));
  if (error) return <FailureNotice error={error} />;
  if (!data || !shape) return <Skeleton label="Describing the groups" className="h-72" />;
  const lines = describedGroups(data, variables, taking);
  const narrow = lines.filter(({ restricted }) => restricted);
  const table = groupDescriptivesTable(lines, groupsInWords(taking), shape.rule);
  return (
    <>
      {narrow.length > 0 && (
        <div className="mb-3 border-l-4 border-caution bg-caution-soft px-3 py-2 text-[13px]" data-testid="narrow-groups">
          <p>
            <strong>Narrow range.</strong> Below two thirds of the SD over all of them: {narrowInWords(lines)}. Coefficients with these can
            be lower there for that alone; an opened pair says by how much, and what r would be over the whole range.
          </p>
        </div>
      )}
      <ValueTableView
        table={table}
        fileName={`${study.name} by group`}
        captionShown
        stickyHead
        className="w-full text-[13px]"
        testId="group-descriptives"
      />
      <p className="mt-2 flex items-center gap-4 text-[13px] text-muted">
        ° marked by its shape: {ruleInWords(shape.rule)}. ‹ a narrow range.
        <PinButton
          study={study}
          pinned={{
            stage: 'subgroups',
            thing: 'table',
            title: table.caption,
            request,
            settings: { ...settings, groups: taking.request, view: 'descriptives', variables: variables.map(({ id }) => id) },
          }}
        />
      </p>
    </>
  );
}

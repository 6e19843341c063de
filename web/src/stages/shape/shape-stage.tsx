import { type ShapeSettings, type Study, shapeSettingsSchema } from '@ivlen/contract';
import { lazy, Suspense } from 'react';
import { useSearchParams } from 'react-router';
import { Skeleton } from '../../controls/skeleton';
import { ViewBar } from '../../controls/view-bar';
import { type Group, useGrouping, useGroups } from '../../settings/use-grouping';
import { useSettings } from '../../settings/use-settings';
import { useWorkingSet } from '../../settings/use-working-set';
import { StripsView } from './strips/strips-view';
import { VIEWS } from './views';

const TogetherView = lazy(async () => ({ default: (await import('./together/together-view')).TogetherView }));
const ScalesView = lazy(async () => ({ default: (await import('./scales/scales-view')).ScalesView }));
const DescriptivesView = lazy(async () => ({ default: (await import('./descriptives/descriptives-view')).DescriptivesView }));

const DEFAULTS = shapeSettingsSchema.parse({});
const NO_GROUPS: readonly Group[] = [];
type View = (typeof VIEWS)[number]['id'];

/** The Shape stage: each variable of the working set, all together, on other scales, and in numbers. */
export function ShapeStage({ study }: { study: Study }) {
  const workingSet = useWorkingSet(study);
  const { settings, change } = useSettings(study.id, 'shape', DEFAULTS);
  const grouping = useGrouping(study);
  const groups = useGroups(study, settings?.perGroup ? (grouping?.by ?? null) : null);
  const [params, setParams] = useSearchParams();
  const view = VIEWS.find(({ id }) => id === params.get('view'))?.id ?? 'each';
  // Where all rows are together, nothing waits for the groups.
  if (!workingSet || !settings || (settings.perGroup && !grouping)) return <Opening />;
  const open = (next: View) => setParams(next === 'each' ? {} : { view: next });
  const common = {
    study,
    workingSet,
    settings,
    grouping,
    groups: settings.perGroup ? groups : NO_GROUPS,
    patch: (part: Partial<ShapeSettings>) => change({ ...settings, ...part }),
  };
  return (
    <section className="flex min-w-0 flex-1 flex-col" aria-label="Shape">
      <ViewBar label="Parts of the Shape stage" views={VIEWS} current={view} onOpen={open} />
      {workingSet.variables.length === 0 ? (
        <p className="mx-5 mt-6 font-serif text-[17px]">No variable is ticked. Tick one on the left to see its shape.</p>
      ) : (
        <Suspense fallback={<Opening />}>
          {view === 'each' && <StripsView {...common} />}
          {view === 'together' && <TogetherView {...common} />}
          {view === 'scales' && <ScalesView {...common} />}
          {view === 'table' && <DescriptivesView {...common} />}
        </Suspense>
      )}
    </section>
  );
}

function Opening() {
  return <Skeleton label="Opening the stage" className="m-5 h-64 flex-1" />;
}

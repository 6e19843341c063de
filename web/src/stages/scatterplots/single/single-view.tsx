import { correlationSettingsSchema, type ScatterplotSettings, type Study, scatterplotSettingsSchema, type Variable } from '@ivlen/contract';
import { useSettings } from '../../../settings/use-settings';
import type { WorkingSet } from '../../../settings/use-working-set';
import { SinglePlot } from './single-plot';

interface SingleViewProps {
  readonly study: Study;
  /** Those that can be on an axis. */
  readonly variables: readonly Variable[];
  readonly workingSet: WorkingSet;
}

const DEFAULTS = scatterplotSettingsSchema.parse({});
const CORRELATION_DEFAULTS = correlationSettingsSchema.parse({});

/** One large scatterplot of any two variables, told apart by a third if wanted. */
export function SingleView({ study, variables, workingSet }: SingleViewProps) {
  const { settings, change } = useSettings(study.id, 'scatterplots', DEFAULTS);
  const { settings: correlation } = useSettings(study.id, 'correlations', CORRELATION_DEFAULTS);
  if (!settings || !correlation) return <div role="status" aria-label="Drawing the points" className="m-5 flex-1 rounded bg-rule/40" />;
  const find = (id: string | null) => variables.find((variable) => variable.id === id);
  const [first, second] = [...workingSet.variables, ...variables];
  const x = find(settings.single.x) ?? (first?.id === settings.single.y ? second : first);
  const y =
    find(settings.single.y) ?? variables.find(({ id }) => id !== x?.id && id === second?.id) ?? variables.find(({ id }) => id !== x?.id);
  if (!x || !y) return <p className="p-8 font-serif text-[17px]">A scatterplot needs two variables that are quantities or orders.</p>;
  const third = study.state.variables.find(({ id }) => id === settings.single.third) ?? null;
  const patch = (part: Partial<ScatterplotSettings['single']>) =>
    change({ ...settings, single: { ...settings.single, x: x.id, y: y.id, ...part } });
  return (
    <SinglePlot
      study={study}
      axes={{ x, y, third }}
      settings={settings}
      correlation={correlation}
      patch={patch}
      workingSet={workingSet.variables}
    />
  );
}

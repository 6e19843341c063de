import { type Pinned, type ReportBlock, type SettingsScope, type Study, settingsSchemas } from '@ivlen/contract';
import { useQueries } from '@tanstack/react-query';
import { settingsQuery } from '../../../api/queries';

/** Whose settings what is pinned in a stage rests on. */
const SCOPES: Readonly<Record<string, readonly SettingsScope[]>> = {
  shape: ['shape'],
  correlations: ['correlations'],
  scatterplots: ['scatterplots'],
  subgroups: ['correlations', 'subgroups'],
  collinearity: ['collinearity'],
};

/** Settings that say how something is computed, in words; how a screen is laid out makes no difference to a report. */
const WORDS: Readonly<Record<string, string>> = {
  methods: 'the coefficient',
  alternative: 'one- or two-sided',
  missing: 'which rows are used',
  levels: 'the significance levels',
  adjust: 'the adjustment of p',
  level: 'the level of intervals',
  interval: 'the kind of interval',
  control: 'what is held constant',
  rule: 'the rule for shapes',
  test: 'the test of normality',
  jointTest: 'the test of joint normality',
  columns: 'the columns',
  off: 'the predictors left out',
  outcome: 'the outcome',
  from: 'which predictors',
  enter: 'how predictors enter',
  byRole: 'which pairs',
};

interface Different {
  readonly words: string;
  /** The pin with the settings of today. */
  readonly brought: Pinned;
}

/** What of a pin's settings its stage has otherwise now; null where nothing is, and for what follows no stage. */
export function useDifferentSettings(study: Study, { content }: ReportBlock): Different | null {
  const scopes = content.kind === 'pin' ? (SCOPES[content.pin.stage] ?? []) : [];
  const stored = useQueries({
    queries: scopes.map((scope) => settingsQuery(study.id, scope)),
    combine: (all) => all.map(({ data }) => data),
  });
  if (content.kind !== 'pin' || stored.some((item) => item === undefined)) return null;
  const today = Object.assign({}, ...scopes.map((scope, i) => stored[i]?.settings ?? settingsSchemas[scope].parse({}))) as Record<
    string,
    unknown
  >;
  return differentSettings(content.pin, today);
}

/** @param today the settings of the stage as they are now */
export function differentSettings(pinned: Pinned, today: Readonly<Record<string, unknown>>): Different | null {
  const keys = Object.keys(WORDS).filter(
    (key) => key in today && key in pinned.settings && JSON.stringify(today[key]) !== JSON.stringify(pinned.settings[key]),
  );
  if (keys.length === 0) return null;
  const settings = { ...pinned.settings, ...Object.fromEntries(keys.map((key) => [key, today[key]])) };
  // The request was made under the settings of then.
  return { words: keys.map((key) => WORDS[key]).join(', '), brought: { ...pinned, settings } };
}

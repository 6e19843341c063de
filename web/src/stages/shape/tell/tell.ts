import { type Pinned, rowsInUse, shapeSettingsSchema, type Variable } from '@ivlen/contract';
import { type ReferenceKey, RULE_SOURCES } from '@ivlen/core';
import { z } from 'zod';
import { sentenceOf } from '../../../methods-line/methods-parts';
import type { Group } from '../../../settings/use-grouping';
import { rowsInWords } from '../../../study/rows-in-use';
import { axisLabel, displayName } from '../../../study/variable-name';
import type { Asking } from '../../../telling/asking';
import { groupingOf } from '../../../telling/grouping-of';
import { journalTable } from '../../../telling/journal-table';
import { namedVariables } from '../../../telling/named-variables';
import { NOTHING_TOLD, paragraph, sentence, type Tell, type Told } from '../../../telling/told';
import { descriptivesTable } from '../descriptives/descriptives-table';
import { scalesTable } from '../scales/scales-table';
import { jointSentence, scalesSentence, sentence as shapeSentence } from '../sentence';
import { verdictOf } from '../strips/shape-columns';
import { type StripSubject, shapeRequest, stripSubjects } from '../strips/shape-lines';
import { TESTS } from '../test-words';
import { jointTestsTable } from '../together/joint-tests-table';
import { jointRequest, jointWords, WHY_NO_JOINT_TEST } from '../together/joint-words';
import { distancesFigure } from './distance-drawing';
import { largeFigures } from './large-figures';
import { stripsFigure } from './strips-figure';

const withVariables = z.object({ variables: z.array(z.string()), view: z.string(), group: z.number().nullable().default(null) });
/** Up to so many verdicts are said, and strips drawn. */
const MOST_SAID = 40;

interface ShapePin {
  readonly settings: z.infer<typeof shapeSettingsSchema>;
  readonly variables: readonly Variable[];
  readonly group: number | null;
}

/** What is pinned in the Shape stage. */
export const tell: Tell = (pinned, asking) => {
  const { view, group } = withVariables.parse(pinned.settings);
  const pin = { settings: shapeSettingsSchema.parse(pinned.settings), variables: variablesOf(pinned, asking), group };
  if (view === 'together') return tellTogether(pin, asking);
  return view === 'scales' ? tellScales(pin, asking) : tellShapes(pin, asking, view === 'table');
};

function variablesOf({ settings }: Pinned, { study }: Asking): Variable[] {
  return namedVariables(study, withVariables.parse(settings).variables);
}

/** Each variable's shape: judged in words, in a table, drawn. */
async function tellShapes({ settings, variables, group }: ShapePin, asking: Asking, asTable: boolean): Promise<Told> {
  const { study } = asking;
  const taking = settings.perGroup || group !== null ? await groupingOf(asking) : null;
  const groups: readonly Group[] = (taking?.groups ?? []).filter(({ value }) => group === null || value === group);
  const all = stripSubjects(variables, taking?.by ?? null, groups);
  const subjects = group === null ? all : all.filter((subject) => subject.group !== null);
  const shapes = await Promise.all(subjects.map((subject) => asking.ask(shapeRequest(subject))));
  const grouping = taking
    ? { by: taking.by, candidates: [taking.by], chosen: null, withoutOne: false, choose: ignore, take: ignore, takeWithoutOne: ignore }
    : undefined;
  const methods = sentenceOf(shapeSentence(settings, { variables: variables.length, rows: rowsInWords(study), grouping }));
  const described = subjects.map((subject, i) => ({ subject, shape: shapes[i] }));
  const [only] = subjects;
  const [shape] = shapes;
  const alone = subjects.length === 1 && only && shape ? largeFigures(asking, shape, nameOf(only), axisLabel(only.variable)) : null;
  return {
    ...NOTHING_TOLD,
    heading: subjects.length === 1 && only ? `Shape of ${nameOf(only)}` : 'Shapes',
    paragraphs: [
      paragraph(
        ...subjects.slice(0, MOST_SAID).map((subject, i) => {
          const shape = shapes[i];
          return shape ? sentence(subjectId(subject), `${nameOf(subject)}: ${judged(shape, settings)}.`) : null;
        }),
      ),
    ],
    tables: [journalTable(descriptivesTable(described, settings, 'Descriptives', ''))],
    figures: alone ?? [stripsFigure(asking, described.slice(0, MOST_SAID), settings)],
    usual: asTable ? ['tables'] : subjects.length === 1 ? ['text', 'figures'] : ['figures'],
    methods: [methods],
    sources: [...ruleSources(settings), ...testSources(settings), ...RULE_SOURCES['normal quantile plot']],
    tests: settings.test ? subjects.length : 0,
  };
}

function judged(shape: Parameters<typeof verdictOf>[0], settings: ShapePin['settings']): string {
  const { skewness, excessKurtosis, n } = shape.description;
  const number = (value: number | null) => (value === null ? '–' : value.toFixed(2).replace('-', '−'));
  return `${verdictOf(shape, settings).words}, skewness ${number(skewness)}, excess kurtosis ${number(excessKurtosis)}, n = ${n}`;
}

/** Joint normality: what the tests say together, and the tests. */
async function tellTogether({ settings, variables }: ShapePin, asking: Asking): Promise<Told> {
  const data = await asking.ask(jointRequest(variables, variables, true));
  const methods = sentenceOf(
    jointSentence(settings, { variables: variables.length, rowsInUse: rowsInUse(asking.study), complete: data.n }),
  );
  const heading = 'Joint normality';
  if (data.undefinedBecause) {
    const why = WHY_NO_JOINT_TEST[data.undefinedBecause](data.n, variables.length);
    return { ...NOTHING_TOLD, heading, paragraphs: [paragraph(sentence('joint', why))], methods: [methods] };
  }
  const without =
    variables.length > 2
      ? await Promise.all(
          variables.map((left) =>
            asking.ask(
              jointRequest(
                variables.filter((variable) => variable !== left),
                variables,
                false,
              ),
            ),
          ),
        )
      : [];
  const { words } = jointWords(data, without, variables.map(displayName), settings);
  return {
    ...NOTHING_TOLD,
    heading,
    paragraphs: [paragraph(sentence('joint', words))],
    tables: [journalTable(jointTestsTable(data, settings))],
    figures: data.distances ? [distancesFigure(asking, data.distances, variables.length)] : [],
    methods: [methods],
    sources: RULE_SOURCES['joint normality'],
    tests: 4,
  };
}

/** A variable on other scales, also where none was kept. */
async function tellScales({ settings, variables }: ShapePin, asking: Asking): Promise<Told> {
  const { study } = asking;
  const [variable] = variables;
  if (!variable) return NOTHING_TOLD;
  const data = await asking.ask({ kind: 'scales', variable: variable.id, others: [] });
  const name = displayName(variable);
  const kept = study.state.variables.filter(({ derivation }) => derivation?.type === 'scale' && derivation.source === variable.id);
  const taken = data.scales.flatMap(({ shape }) => (shape ? [{ marked: verdictOf(shape, settings).marked }] : []));
  const helped = taken.slice(1).filter(({ marked }) => !marked).length;
  const isMarked = taken[0]?.marked ?? false;
  const decided =
    kept.length > 0 ? `Kept: ${kept.map(displayName).join(', ')}.` : isMarked ? 'None of them was kept.' : 'It is not marked as it is.';
  return {
    ...NOTHING_TOLD,
    heading: `${name} on other scales`,
    paragraphs: [
      paragraph(
        isMarked
          ? sentence('scales', `Of ${taken.length - 1} other scales that ${name} can be taken on, ${helped} would not be marked.`)
          : null,
        sentence('kept', decided),
      ),
    ],
    tables: [journalTable(scalesTable(variable, data.scales, settings, [], () => ''))],
    methods: [sentenceOf(scalesSentence(settings, { variables: 1, rows: rowsInWords(study), grouping: undefined }))],
    sources: [...ruleSources(settings), ...testSources(settings), ...RULE_SOURCES['scales by likelihood']],
    tests: settings.test ? taken.length : 0,
  };
}

function ruleSources({ rule }: ShapePin['settings']): readonly ReferenceKey[] {
  return rule.kind === 'limits' ? RULE_SOURCES['shape limits 2 and 7'] : [];
}

function testSources({ test }: ShapePin['settings']): readonly ReferenceKey[] {
  return test ? (RULE_SOURCES[`${TESTS[test].name} test` as keyof typeof RULE_SOURCES] ?? []) : [];
}

function nameOf({ variable, group }: StripSubject): string {
  return group ? `${displayName(variable)}, ${group.label}` : displayName(variable);
}

function subjectId({ variable, group }: StripSubject): string {
  return group ? `${variable.id}.${group.value}` : variable.id;
}

function ignore(): void {}

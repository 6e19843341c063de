import { inlinesOf, type ReportBlock, type ReportPart, type ReportSettings, type RichText, type Study } from '@ivlen/contract';
import { displayName } from '../../study/variable-name';
import { generatedText } from '../../telling/generated-text';
import { namesWithPoints, toldWithLeadingZero } from '../../telling/leading-zero';
import { NOTHING_TOLD, type Told, type ToldFigure, type ToldParagraph, type ToldTable } from '../../telling/told';
import { type ToldValue, valuesOf } from '../../telling/values-of';
import { checksParagraphs } from './paragraphs/checks';
import { dataParagraphs } from './paragraphs/data';
import type { ReportFacts } from './paragraphs/facts';
import { limitsParagraphs } from './paragraphs/limits';
import { methodsParagraphs, referencesParagraphs } from './paragraphs/methods';
import { resultsParagraphs } from './paragraphs/results';
import { tablesOfWidth } from './table-parts';
import type { PinState } from './use-told';

/** A number in an edited text that is another one now, or is no longer told. */
export interface ChangedValue {
  readonly name: string;
  readonly was: string;
  /** null where it is no longer told. */
  readonly is: string | null;
  /** The decision at which it was what it was. */
  readonly at: number;
}

export interface WrittenTable extends ToldTable {
  readonly number: number;
  /** What of a table that is cut stands here: "part 2 of 3". */
  readonly part: string | null;
}

export interface WrittenFigure extends ToldFigure {
  readonly number: number;
}

/** A block as it is read. */
export interface WrittenBlock {
  readonly block: ReportBlock;
  readonly heading: string;
  /** null where no text is shown. */
  readonly text: RichText | null;
  /** The text that is written from the data now. */
  readonly generated: RichText;
  readonly tables: readonly WrittenTable[];
  readonly figures: readonly WrittenFigure[];
  readonly changed: readonly ChangedValue[];
  readonly state: PinState | null;
}

export interface WrittenReport {
  readonly title: string;
  readonly blocks: readonly WrittenBlock[];
  /** The present numbers of all blocks: by block, by key. */
  readonly values: ReadonlyMap<string, ReadonlyMap<string, ToldValue>>;
  /** Whether everything is told. */
  readonly complete: boolean;
}

const HEADINGS = {
  data: 'Data',
  methods: 'Methods',
  results: 'Results',
  checks: 'Checks',
  limits: 'Limits',
  references: 'References',
  own: '',
} as const;

const WRITERS: Readonly<Record<keyof typeof HEADINGS, (facts: ReportFacts) => ToldParagraph[]>> = {
  data: dataParagraphs,
  methods: methodsParagraphs,
  results: resultsParagraphs,
  checks: checksParagraphs,
  limits: limitsParagraphs,
  references: referencesParagraphs,
  own: () => [],
};

/** The report as it is read: everything told put into the researcher's order, numbered, with texts of one's own kept. */
export function writtenReport(
  study: Study,
  settings: ReportSettings,
  blocks: readonly ReportBlock[],
  states: ReadonlyMap<string, PinState>,
  about: Omit<ReportFacts, 'study' | 'told' | 'cited' | 'says'> | undefined,
): WrittenReport {
  const told = blocks.flatMap((block) => {
    const own = states.get(block.id)?.pin?.told;
    return own ? [readOf(own, shownParts(block, own))] : [];
  });
  const says = new Set(blocks.flatMap(({ content }) => (content.kind === 'paragraph' ? [content.of] : [])));
  const facts: ReportFacts | null = about ? { ...about, study, told, says, cited: citedIn(blocks) } : null;
  const names = namesWithDigits(study);
  const ofBlocks = blocks.map((block) => ({ block, told: toldBy(block, states, facts, settings) }));
  const values = new Map(ofBlocks.map(({ block, told: own }) => [block.id, valuesOf(own.paragraphs, names)]));
  let [tables, figures] = [0, 0];
  const written = ofBlocks.map(({ block, told: own }): WrittenBlock => {
    const state = block.content.kind === 'pin' ? (states.get(block.id) ?? { pin: undefined, error: null }) : null;
    const shown = (part: ReportPart) => shownParts(block, own).includes(part);
    const generated = generatedText(own.paragraphs, block.id, state?.pin?.at ?? study.head, names);
    const text = shown('text') ? (block.text ?? generated) : null;
    const ownCaption = text === null ? block.title : null;
    return {
      block,
      heading: text === null ? '' : (block.title ?? own.heading),
      text,
      generated,
      tables: shown('tables')
        ? own.tables.flatMap((table, i) => {
            const number = ++tables;
            const captioned = i === 0 && ownCaption ? { ...table, caption: ownCaption } : table;
            return tablesOfWidth(captioned, settings).map((part, k, all) => ({
              ...part,
              number,
              part: all.length > 1 ? `part ${k + 1} of ${all.length}` : null,
            }));
          })
        : [],
      figures: shown('figures')
        ? own.figures.map((figure, i) => ({
            ...figure,
            number: ++figures,
            ...(i === 0 && ownCaption ? { caption: ownCaption } : {}),
          }))
        : [],
      changed: block.text === null || text === null ? [] : changedValues(block.text, values),
      state,
    };
  });
  const complete = facts !== null && written.every(({ state }) => state === null || state.pin !== undefined || state.error !== null);
  return { title: settings.title ?? study.name, blocks: written, values, complete };
}

function toldBy(
  { id, content }: ReportBlock,
  states: ReadonlyMap<string, PinState>,
  facts: ReportFacts | null,
  { leadingZero }: ReportSettings,
): Told {
  if (content.kind === 'pin') return states.get(id)?.pin?.told ?? NOTHING_TOLD;
  const told = { ...NOTHING_TOLD, heading: HEADINGS[content.of], paragraphs: facts ? WRITERS[content.of](facts) : [] };
  return leadingZero ? toldWithLeadingZero(told, facts ? namesWithPoints(facts.study) : []) : told;
}

/** What a reader sees of something told: where it is a figure alone, no coefficient of it is reported, and no test. */
function readOf(told: Told, parts: readonly ReportPart[]): Told {
  return parts.includes('text') || parts.includes('tables') ? told : { ...told, methods: [], pairs: [], tests: 0, sources: [] };
}

/** The parts of a block that are shown. */
export function shownParts({ shows }: Pick<ReportBlock, 'shows'>, { usual }: Pick<Told, 'usual'>): readonly ReportPart[] {
  return shows ?? usual ?? ['text', 'tables', 'figures'];
}

/** What of the numbers in a text is another one by now. */
function changedValues(text: RichText, values: WrittenReport['values']): ChangedValue[] {
  return inlinesOf(text).flatMap((inline): ChangedValue[] => {
    if (inline.type !== 'value') return [];
    const { block, key, shown, at } = inline.attrs;
    const now = values.get(block)?.get(key);
    // What still comes has not changed.
    if (!values.get(block)?.size && !now) return [];
    if (now?.shown === shown) return [];
    return [{ name: now?.name ?? '', was: shown, is: now?.shown ?? null, at }];
  });
}

/** The text with its numbers looked at: those that changed are taken as they are, those no longer told become words. */
export function lookedAt(text: RichText, values: WrittenReport['values'], at: number): RichText {
  const inline = (part: ReturnType<typeof inlinesOf>[number]): typeof part => {
    if (part.type !== 'value') return part;
    const now = values.get(part.attrs.block)?.get(part.attrs.key);
    return now
      ? { ...part, attrs: { ...part.attrs, shown: now.shown, at } }
      : { type: 'text', text: part.attrs.shown, ...(part.marks ? { marks: part.marks } : {}) };
  };
  return mapInlines(text, inline);
}

/** A text with each of its inline parts made another. */
export function mapInlines(
  text: RichText,
  of: (inline: ReturnType<typeof inlinesOf>[number]) => ReturnType<typeof inlinesOf>[number],
): RichText {
  const map = <T extends object>(node: T): T => {
    if (!('content' in node) || !Array.isArray(node.content)) return node;
    const isText = 'type' in node && (node.type === 'paragraph' || node.type === 'heading');
    return { ...node, content: node.content.map((child) => (isText ? of(child) : map(child))) };
  };
  return map(text);
}

function citedIn(blocks: readonly ReportBlock[]): string[] {
  return blocks.flatMap(({ text }) =>
    text ? inlinesOf(text).flatMap((inline) => (inline.type === 'reference' ? [inline.attrs.key] : [])) : [],
  );
}

/** Names of variables and of their categories, in which digits are no numbers. */
function namesWithDigits({ state }: Study): string[] {
  return state.variables.flatMap((variable) => [displayName(variable), variable.name, ...Object.values(variable.valueLabels)]);
}

import { derivationInWords, ROWS_CHOSEN_WORDS, rowsInUse, subsetInWords, type Variable } from '@ivlen/contract';
import { renameInFormula } from '@ivlen/core';
import { joined } from '../../../coefficients/coefficient-names';
import { displayName } from '../../../study/variable-name';
import { fixedSentence, paragraph, sentence, type ToldParagraph, type ToldSentence } from '../../../telling/told';
import type { ReportFacts } from './facts';

/** Decisions that changed values, rows or kinds, as the trail names them. */
const OF_THE_DATA = new Set(['cells', 'set-aside', 'bring-back', 'accepted', 'kind', 'codebook', 'removed', 'selection']);
const MOST_LISTED = 20;

/** What the data are, which of them are in use, and what was done to them, from the study's entry and the trail. */
export function dataParagraphs(facts: ReportFacts): ToldParagraph[] {
  const { study, decisions } = facts;
  const done = decisions.filter(({ kind }) => OF_THE_DATA.has(kind)).toReversed();
  const listed = done.slice(0, MOST_LISTED);
  const more = done.length - listed.length;
  return [
    paragraph(...aboutTheStudy(facts)),
    paragraph(inUse(facts), missing(facts), ...derived(study.state.variables)),
    ...(done.length === 0 ? [] : [paragraph(sentence('decisions', `Before the analysis:`))]),
    ...listed.map(({ number, summary, reason }) => ({
      ...paragraph(fixedSentence(`decision-${number}`, `${summary}${reason ? ` (${reason.replace(/\.$/, '')})` : ''}.`)),
      item: true,
    })),
    ...(more > 0 ? [{ ...paragraph(sentence('more', `And ${more} more decisions, in the trail.`)), item: true }] : []),
    paragraph(fixedSentence('checksum', `Checksum of the data (SHA-256): ${facts.sha256}.`)),
  ].filter(({ sentences }) => sentences.length > 0);
}

function aboutTheStudy({ study }: ReportFacts): (ToldSentence | null)[] {
  const { rowMeaning, rowsChosen, source, citation, exclusions } = study.state;
  const each = rowMeaning ? `, each of which is ${rowMeaning}` : '';
  return [
    sentence('rows', `The table has ${count(study.rows, 'row')}${each}.`),
    rowsChosen === null ? null : sentence('chosen', `The rows ${ROWS_CHOSEN_WORDS[rowsChosen]}.`),
    source === null || source === '' ? null : fixedSentence('source', `Source: ${ended(source)}`),
    citation === null || citation === '' ? null : fixedSentence('citation', `Cited as ${ended(citation)}`),
    exclusions === null || exclusions === '' ? null : fixedSentence('exclusions', `Known to be missing from it: ${ended(exclusions)}`),
  ];
}

function inUse({ study }: ReportFacts): ToldSentence {
  const { setAside, subset, variables } = study.state;
  const used = rowsInUse(study);
  if (used === study.rows) return sentence('in-use', `All ${count(study.rows, 'row')} were used.`);
  const aside = setAside?.count ?? 0;
  const reasons = setAside ? joined(setAside.reasons.map((reason) => `“${reason}”`)) : '';
  const because = [
    aside > 0 ? `${count(aside, 'row')} ${aside === 1 ? 'was' : 'were'} set aside${reasons ? ` (${reasons})` : ''}` : '',
    subset ? `only rows were used where ${subsetInWords(subset, variables)}` : '',
  ].filter(Boolean);
  return sentence('in-use', `Of these, ${used.toLocaleString('en-GB')} were used: ${because.join('; ')}.`);
}

function missing({ study, missing: { variables, completeRows, rows } }: ReportFacts): ToldSentence {
  const found = variables.filter((item) => item.missing > 0);
  if (found.length === 0) return sentence('missing', 'No value is missing in them.');
  const named = found.slice(0, 8).flatMap(({ id, missing: number }) => {
    const variable = study.state.variables.find((item) => item.id === id);
    return variable ? [`${displayName(variable)} ${number.toLocaleString('en-GB')}`] : [];
  });
  const more = found.length - named.length;
  const others = more > 0 ? [...named, `${more} more variables`] : named;
  return sentence(
    'missing',
    `Values are missing in ${joined(others)}; ${completeRows.toLocaleString('en-GB')} of ${rows.toLocaleString('en-GB')} rows are complete.`,
  );
}

function derived(variables: readonly Variable[]): ToldSentence[] {
  const found = variables.filter(({ derivation }) => derivation !== null);
  if (found.length === 0) return [];
  const each = found.map(({ name, derivation }) => {
    const how = derivation ? derivationInWords(derivation, variables, renameInFormula) : '';
    return `${displayName({ name })} (${displayName({ name: how })})`;
  });
  return [fixedSentence('derived', `Derived: ${joined(each)}.`)];
}

function count(number: number, one: string): string {
  return `${number.toLocaleString('en-GB')} ${one}${number === 1 ? '' : 's'}`;
}

function ended(text: string): string {
  return /[.!?]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`;
}

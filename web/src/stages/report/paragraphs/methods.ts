import { IVLEN_VERSION } from '@ivlen/contract';
import { CAUTION_SOURCES, CHECK_SOURCES, REFERENCES, type ReferenceKey, RULE_SOURCES } from '@ivlen/core';
import { joined } from '../../../coefficients/coefficient-names';
import { fixedSentence, paragraph, sentence, type ToldParagraph } from '../../../telling/told';
import type { ReportFacts } from './facts';

/** How everything in the report was computed, in the sentences of the methods lines, with the sources of exactly that. */
export function methodsParagraphs(facts: ReportFacts): ToldParagraph[] {
  const sentences = [...new Set(facts.told.flatMap(({ methods }) => methods))];
  const cited = usedSources({ ...facts, cited: [] }).map((key) => REFERENCES[key].cite);
  return [
    paragraph(
      ...sentences.map((text, i) => sentence(`how-${i}`, text)),
      fixedSentence(
        'software',
        `Computed with Ivlen ${IVLEN_VERSION}${sentences.some((text) => text.includes('bootstrap')) ? '; samples of bootstrap intervals drawn with seed 1' : ''}.`,
      ),
      cited.length === 0 ? null : fixedSentence('sources', `Methods and rules are those of ${joined(cited)}.`),
    ),
  ];
}

/** The published sources of what was used and of what the texts name, in the order of a list of references. */
function usedSources(facts: ReportFacts): ReferenceKey[] {
  const named = facts.cited.filter((key): key is ReferenceKey => Object.hasOwn(REFERENCES, key));
  const used = new Set<ReferenceKey>([
    ...facts.told.flatMap(({ sources }) => sources),
    ...sourcesOfChecks(facts),
    ...sourcesOfCautions(facts),
    ...named,
  ]);
  return [...used].toSorted((a, b) => REFERENCES[a].full.localeCompare(REFERENCES[b].full, 'en'));
}

/** Of what the checks were judged by, where the report says them and they could be judged. */
function sourcesOfChecks({ told, shapeRule, says }: ReportFacts): readonly ReferenceKey[] {
  const judged = told.flatMap(({ pairs }) => pairs.flatMap(({ checks }) => checks)).filter(({ held }) => held !== null);
  if (!says.has('checks') || judged.length === 0) return [];
  const rule = shapeRule.kind === 'limits' ? RULE_SOURCES['shape limits 2 and 7'] : [];
  return [...rule, ...judged.flatMap(({ code }) => CHECK_SOURCES[code])];
}

/** Of the cautions that the report says could change a conclusion. */
function sourcesOfCautions({ told, says }: ReportFacts): readonly ReferenceKey[] {
  if (!says.has('limits')) return [];
  const cautions = told.flatMap(({ pairs }) => pairs.flatMap((pair) => pair.cautions));
  return cautions.filter(({ level }) => level === 'could-change').flatMap(({ code }) => CAUTION_SOURCES[code]);
}

export function referencesParagraphs(facts: ReportFacts): ToldParagraph[] {
  return usedSources(facts).map((key) => ({ ...paragraph(fixedSentence(`reference-${key}`, REFERENCES[key].full)), item: true }));
}

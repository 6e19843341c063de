import { IVLEN_VERSION } from '@ivlen/contract';
import { REFERENCES, type ReferenceKey, RULE_SOURCES } from '@ivlen/core';
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
function usedSources({ told, shapeRule, cited }: Pick<ReportFacts, 'told' | 'shapeRule' | 'cited'>): ReferenceKey[] {
  const checked = told.some(({ pairs }) => pairs.some(({ checks }) => checks.length > 0));
  const rule: readonly ReferenceKey[] = checked && shapeRule.kind === 'limits' ? RULE_SOURCES['shape limits 2 and 7'] : [];
  const named = cited.filter((key): key is ReferenceKey => Object.hasOwn(REFERENCES, key));
  const used = new Set<ReferenceKey>([...told.flatMap(({ sources }) => sources), ...rule, ...named]);
  return [...used].toSorted((a, b) => REFERENCES[a].full.localeCompare(REFERENCES[b].full, 'en'));
}

export function referencesParagraphs(facts: ReportFacts): ToldParagraph[] {
  return usedSources(facts).map((key) => ({ ...paragraph(fixedSentence(`reference-${key}`, REFERENCES[key].full)), item: true }));
}

import type { ToldParagraph } from '../../../telling/told';
import type { ReportFacts } from './facts';

/** A sentence for each hypothesis, question and pair that is pinned, once, in the order of the report. */
export function resultsParagraphs({ told }: ReportFacts): ToldParagraph[] {
  const said = new Set<string>();
  return told
    .filter(({ pairs }) => pairs.length > 0)
    .flatMap(({ paragraphs }, i) =>
      paragraphs.flatMap(({ sentences, ...paragraph }) => {
        const fresh = sentences.filter(({ text }) => !said.has(text));
        for (const { text } of fresh) said.add(text);
        // Names of sentences are those of one pin; here several stand together.
        return fresh.length === 0
          ? []
          : [{ ...paragraph, sentences: fresh.map((sentence) => ({ ...sentence, id: `${i}.${sentence.id}` })) }];
      }),
    );
}

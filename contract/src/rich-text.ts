import { z } from 'zod';

/** As much text as one block of a report may hold. */
export const LONGEST_TEXT = 200_000;
const DEEPEST_LIST = 8;

const markSchema = z.object({ type: z.enum(['bold', 'italic', 'subscript', 'superscript']) });
const marks = { marks: z.array(markSchema).max(4).optional() };

/** A number of the report that follows what it is of. */
export const valueAttributesSchema = z.object({
  /** The block whose number it is. */
  block: z.string().max(40),
  /** Which of its numbers. */
  key: z.string().min(1).max(120),
  /** As it was when the text around it was last looked at. */
  shown: z.string().max(120),
  /** The decision of then. */
  at: z.number().int().min(0),
});
export type ValueAttributes = z.infer<typeof valueAttributesSchema>;

const inlineSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('text'), text: z.string().min(1).max(LONGEST_TEXT), ...marks }),
  z.object({ type: z.literal('value'), attrs: valueAttributesSchema, ...marks }),
  /** A published source, by its key in the list of references. */
  z.object({ type: z.literal('reference'), attrs: z.object({ key: z.string().max(80) }), ...marks }),
  z.object({ type: z.literal('hardBreak'), ...marks }),
]);
export type RichInline = z.infer<typeof inlineSchema>;
export type RichMark = z.infer<typeof markSchema>['type'];

const paragraphSchema = z.object({ type: z.literal('paragraph'), content: z.array(inlineSchema).optional() });
const headingSchema = z.object({
  type: z.literal('heading'),
  attrs: z.object({ level: z.union([z.literal(2), z.literal(3)]) }),
  content: z.array(inlineSchema).optional(),
});
export type RichParagraph = z.infer<typeof paragraphSchema>;
type RichHeading = z.infer<typeof headingSchema>;

export interface RichList {
  type: 'bulletList' | 'orderedList';
  content: RichItem[];
}
export interface RichItem {
  type: 'listItem';
  content: (RichParagraph | RichList)[];
}
export type RichBlock = RichParagraph | RichHeading | RichList;

/** Lists in lists, written out: a schema that names itself cannot be described to others. */
function listSchema(depth: number): z.ZodType<RichList> {
  const inner = depth > 1 ? z.union([paragraphSchema, listSchema(depth - 1)]) : paragraphSchema;
  const item = z.object({ type: z.literal('listItem'), content: z.array(inner).max(2000) });
  return z.object({ type: z.enum(['bulletList', 'orderedList']), content: z.array(item).max(2000) });
}

/** A text of a report: paragraphs, headings and lists, with numbers in them that follow the data. */
export const richTextSchema = z
  .object({ type: z.literal('doc'), content: z.array(z.union([paragraphSchema, headingSchema, listSchema(DEEPEST_LIST)])).max(5000) })
  .refine((text) => lengthOf(text) <= LONGEST_TEXT, `A text may have up to ${LONGEST_TEXT.toLocaleString('en-GB')} characters.`);
export type RichText = z.infer<typeof richTextSchema>;

/** All inline parts of a text, in order. */
export function inlinesOf({ content }: { readonly content: readonly RichBlock[] }): RichInline[] {
  const of = (block: RichBlock | RichItem): RichInline[] =>
    block.type === 'paragraph' || block.type === 'heading'
      ? (block.content ?? [])
      : (block.content as readonly (RichBlock | RichItem)[]).flatMap(of);
  return content.flatMap(of);
}

function lengthOf(text: { readonly content: readonly RichBlock[] }): number {
  return inlinesOf(text).reduce((sum, inline) => sum + (inline.type === 'text' ? inline.text.length : 1), 0);
}

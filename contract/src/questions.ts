import { z } from 'zod';
import { methodSchema } from './methods';

const id = z.string().min(1).max(40);

/** What is expected of a pair: either direction; more of one with more of the other; more of one with less of the other. */
export const expectationSchema = z.enum(['either', 'more', 'less']);
export type Expectation = z.infer<typeof expectationSchema>;

/** What a hypothesis says, before its result is looked at. */
export const hypothesisSchema = z.object({
  x: id,
  y: id,
  expectation: expectationSchema,
  method: methodSchema,
  /** Why this method. */
  because: z.string().max(1000),
  /** Smallest coefficient of interest: equivalence to zero is tested against it; null for no such test. */
  bound: z.number().gt(0).lt(1).nullable(),
});
export type Hypothesis = z.infer<typeof hypothesisSchema>;

export const statedHypothesisSchema = hypothesisSchema.extend({
  id,
  /** Whether its result has been on screen. */
  shown: z.boolean(),
  /** Whether it was changed after that. */
  revised: z.boolean(),
});
export type StatedHypothesis = z.infer<typeof statedHypothesisSchema>;

/** A research question with its hypotheses. */
export const questionSchema = z.object({
  id,
  text: z.string().min(1).max(1000),
  hypotheses: z.array(statedHypothesisSchema).max(60),
});
export type Question = z.infer<typeof questionSchema>;

/** Changes of questions. */
export const questionChangeSchemas = [
  z.object({ type: z.literal('ask-question'), text: z.string().trim().min(1, 'Write the question.').max(1000) }),
  z.object({ type: z.literal('reword-question'), question: id, text: z.string().trim().min(1, 'Write the question.').max(1000) }),
  z.object({ type: z.literal('drop-question'), question: id }),
  /** A new hypothesis, or another wording of one that is there. */
  z.object({ type: z.literal('state-hypothesis'), question: id, hypothesis: id.nullable(), statement: hypothesisSchema }),
  z.object({ type: z.literal('drop-hypothesis'), question: id, hypothesis: id }),
  z.object({ type: z.literal('show-results'), question: id }),
] as const;

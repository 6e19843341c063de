import { z } from 'zod';

/** Which reliability belongs to the column used: that of one of the repeats, of their mean, or of their mean as Cronbach’s α. */
export const reliabilityFormSchema = z.enum(['one', 'mean', 'alpha']);

/** How reliable a variable is: known, or from repeated columns, estimated on the rows in use. */
export const reliabilitySchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('known'), value: z.number().gt(0, 'A reliability lies above 0.').lte(1, 'A reliability is at most 1.') }),
  z.object({ kind: z.literal('repeated'), columns: z.array(z.string().min(1).max(40)).min(2).max(20), form: reliabilityFormSchema }),
]);
export type VariableReliability = z.infer<typeof reliabilitySchema>;

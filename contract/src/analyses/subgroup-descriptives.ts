import { z } from 'zod';
import { comparedGroupSchema, groupsOfSchema } from './groups';
import { numberOrNullSchema, rowsField, variableIdSchema } from './schemas';

/** What each variable is like in each group. */
export const subgroupDescriptivesRequestSchema = z.object({
  kind: z.literal('subgroup-descriptives'),
  variables: z.array(variableIdSchema).max(200),
  groups: groupsOfSchema,
  ...rowsField,
});
const descriptionSchema = z.object({
  n: z.number().int(),
  missing: z.number().int(),
  mean: numberOrNullSchema,
  sd: numberOrNullSchema,
  skewness: numberOrNullSchema,
  skewnessSe: numberOrNullSchema,
  excessKurtosis: numberOrNullSchema,
  excessKurtosisSe: numberOrNullSchema,
});
export type GroupDescription = z.infer<typeof descriptionSchema>;
export const subgroupDescriptivesResultSchema = z.object({
  kind: z.literal('subgroup-descriptives'),
  groups: z.array(comparedGroupSchema),
  variables: z.array(
    z.object({
      id: variableIdSchema,
      /** Over all rows of the groups that take part. */
      whole: descriptionSchema,
      groups: z.array(descriptionSchema),
      /** Places of the groups whose SD is so small that it lowers r by itself. */
      restricted: z.array(z.number().int()),
    }),
  ),
});
export type SubgroupDescriptivesResult = z.infer<typeof subgroupDescriptivesResultSchema>;

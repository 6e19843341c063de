import type { Method } from '@ivlen/core';
import { z } from 'zod';

/** Methods of correlation. */
export const methodSchema = z.enum(['pearson', 'spearman', 'kendall']) satisfies z.ZodType<Method>;

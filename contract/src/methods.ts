import type { Method } from '@ivlen/core';
import { z } from 'zod';

/** By a record, so that the compiler misses here what the core knows; in the order in which they are offered. */
const METHODS: Readonly<Record<Method, true>> = { pearson: true, spearman: true, kendall: true };

/** Coefficients by name. */
export const methodSchema = z.enum(Object.keys(METHODS) as [Method, ...Method[]]);

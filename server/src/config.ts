import { z } from 'zod';

const configSchema = z.object({
  IVLEN_DATABASE_URL: z.url(),
  IVLEN_PORT: z.coerce.number().int().min(0).max(65_535).default(4310),
  /** Take the next free port if this one is taken. */
  IVLEN_PORT_FIXED: z.enum(['0', '1']).default('0'),
  IVLEN_WEB: z.string().default('web/dist'),
  /** Where files wait until they are a study. */
  IVLEN_SPOOL: z.string().default('.data/imports'),
  /** Where the database keeps its files; its disk is looked after. */
  IVLEN_DATABASE_FOLDER: z.string().optional(),
  /** Gets the port, once the server listens. */
  IVLEN_PORT_FILE: z.string().optional(),
  /** Without it nobody is answered. */
  IVLEN_KEY: z.string().min(20).optional(),
  IVLEN_SAMPLES: z.string().default('samples'),
});

export type Config = z.infer<typeof configSchema>;

/** Reads the configuration from the environment; a mistake there is told in words and ends the start. */
export function readConfig(environment: Record<string, string | undefined>): Config {
  const result = configSchema.safeParse(environment);
  if (result.success) return result.data;
  const issues = result.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
  throw new Error(`The configuration is not usable. ${issues.join('; ')}`);
}

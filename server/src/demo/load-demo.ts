import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { type Variable, variableSchema } from '@ivlen/contract';
import { z } from 'zod';
import type { Database } from '../database/connect';
import { memoryBlocks } from '../imports/column-blocks';
import { readTable } from '../imports/read-table';
import { studyFromTable } from '../imports/study-from-table';
import { fileSource } from '../imports/table-source';
import { createStudy, type NewStudy } from '../studies/create-study';
import { definedFields } from '../studies/defined-fields';
import { studyNames } from '../studies/study-repository';

/** What a sample's codebook file says beyond what can be read off its table. */
const sampleSchema = z.object({
  name: z.string(),
  rowMeaning: z.string(),
  source: z.string(),
  variables: z.record(
    z.string(),
    variableSchema
      .pick({ kind: true, unit: true, label: true, decimals: true, role: true, highMeans: true, valueLabels: true, note: true })
      .partial(),
  ),
});

const SAMPLES = ['aldermere-beds', 'aldermere-kick-samples', 'aldermere-streams'] as const;

/** Loads the demo studies once, into a database that never held any study; what a researcher deleted stays deleted. */
export async function loadDemo(database: Database, folder: string): Promise<void> {
  const known = await database('installation').first<{ demo_loaded: Date | null } | undefined>('demo_loaded');
  if (known?.demo_loaded) return;
  // A start that was cut off has loaded some of them.
  const there = new Set(await studyNames(database));
  for (const sample of SAMPLES) {
    const study = await readSample(folder, sample);
    if (!there.has(study.name)) await createStudy(database, study);
  }
  await database('installation').update({ demo_loaded: database.fn.now() });
}

async function readSample(folder: string, sample: string): Promise<NewStudy> {
  const described = sampleSchema.parse(JSON.parse(await readFile(join(folder, `${sample}.json`), 'utf8')));
  const blocks = memoryBlocks();
  const { preview, dictionaries, limits } = await readTable(fileSource(join(folder, `${sample}.csv`)), null, {
    blocks: () => blocks,
    onBytes: () => {},
  });
  const study = studyFromTable(described.name, { ...preview, fileName: `${sample}.csv` }, { blocks, dictionaries, limits });
  const variables = study.state.variables.map(
    (variable): Variable => ({ ...variable, ...definedFields(described.variables[variable.name] ?? {}) }),
  );
  return {
    ...study,
    summary: `Sample study “${described.name}”`,
    state: { ...study.state, variables, rowMeaning: described.rowMeaning, source: described.source },
  };
}

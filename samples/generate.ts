import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { aldermereKickSamples } from './aldermere-kick-samples';
import { aldermereStreams } from './aldermere-streams';
import { toCodebookJson, toCsv } from './sample';

for (const sample of [aldermereStreams(), aldermereKickSamples()]) {
  writeFileSync(join(import.meta.dirname, `${sample.file}.csv`), toCsv(sample));
  writeFileSync(join(import.meta.dirname, `${sample.file}.json`), toCodebookJson(sample));
}

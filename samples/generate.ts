import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { aldermereBeds } from './aldermere-beds';
import { aldermereKickSamples } from './aldermere-kick-samples';
import { aldermereLoggers } from './aldermere-loggers';
import { aldermereStreams } from './aldermere-streams';
import { toCodebookJson, toCsv } from './sample';

// npm run samples writes the demo; npm run samples loggers PATH writes the large table, which is kept nowhere.
const [what, path] = process.argv.slice(2);
if (what === 'loggers') {
  if (!path) throw new Error('Say where the table goes: npm run samples loggers PATH');
  writeFileSync(path, toCsv(aldermereLoggers()));
} else {
  for (const sample of [aldermereStreams(), aldermereKickSamples(), aldermereBeds()]) {
    writeFileSync(join(import.meta.dirname, `${sample.file}.csv`), toCsv(sample));
    writeFileSync(join(import.meta.dirname, `${sample.file}.json`), toCodebookJson(sample));
  }
}

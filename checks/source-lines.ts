import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const FOLDERS = ['core/src', 'contract/src', 'server/src', 'web/src'];

/** Lines of all sources that a rule forbids, each with its place, and how many files were read. */
export function linesWhere(isForbidden: (line: string) => boolean): { files: number; found: string[] } {
  const files = FOLDERS.flatMap((folder) =>
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
      .map((entry) => join(entry.parentPath, entry.name)),
  );
  const found = files.flatMap((file) =>
    readFileSync(file, 'utf8')
      .split('\n')
      .flatMap((line, i) => (isForbidden(line) ? [`${file}:${i + 1}: ${line.trim()}`] : [])),
  );
  return { files: files.length, found };
}

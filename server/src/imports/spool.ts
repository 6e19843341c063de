import { createWriteStream } from 'node:fs';
import { chmod, mkdir, open, readdir, readFile, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { LARGEST_FILE } from '@ivlen/contract';
import { z } from 'zod';
import { DomainError } from '../errors/domain-error';
import type { SentBody } from '../http/sent-body';
import type { ToldLimits } from '../limits/told-limits';
import type { ImportPaths } from './read-file';

const dictionarySchema = z.array(z.string());
const limitsSchema = z.object({ texts: z.array(z.string()), rows: z.array(z.number().int()), codes: z.array(z.number().int()) });
const MEGABYTE = 1024 * 1024;
const FIRST_BYTES = 8;

export function tooLarge(): DomainError {
  return new DomainError('too-large', `The file is larger than ${LARGEST_FILE / MEGABYTE} MB.`, {
    hint: 'Keep only the columns you need, or split the file.',
  });
}

/** Passes bytes on as they come, up to a limit; what a sender says about the length is not trusted. */
function upTo(most: number) {
  return async function* (source: AsyncIterable<Uint8Array>) {
    let bytes = 0;
    for await (const piece of source) {
      bytes += piece.length;
      if (bytes > most) throw tooLarge();
      yield piece;
    }
  };
}

/**
 * The folder where files wait until they are a study. A file belongs to an import by the beginning of its name; what a
 * reading makes of it belongs to that reading, so that one that was cut off leaves the one before it whole.
 */
export class Spool {
  constructor(readonly folder: string) {}

  paths(id: string, reading: string): ImportPaths {
    const at = (name: string) => join(this.folder, `${id}.${name}`);
    return {
      source: at('source'),
      text: at('text'),
      blocks: at(`${reading}.blocks`),
      dictionaries: at(`${reading}.texts`),
      limits: at(`${reading}.limits`),
    };
  }

  /** Makes the folder, open to its owner only; one of before is closed to others. */
  async prepare(): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 });
    await chmod(this.folder, 0o700);
  }

  /** Stores what is sent as it comes. @returns its bytes */
  async receive(id: string, body: SentBody, signal: AbortSignal): Promise<number> {
    await this.prepare();
    const file = createWriteStream(this.paths(id, '').source, { mode: 0o600 });
    await pipeline(body instanceof Readable ? body : Readable.fromWeb(body), upTo(LARGEST_FILE), file, { signal });
    return file.bytesWritten;
  }

  /** Enough of a file to tell what it is. */
  async firstBytes({ source }: ImportPaths): Promise<Uint8Array> {
    const file = await open(source);
    try {
      const { buffer, bytesRead } = await file.read(new Uint8Array(FIRST_BYTES), 0, FIRST_BYTES, 0);
      return buffer.subarray(0, bytesRead);
    } finally {
      await file.close();
    }
  }

  /** Texts by code, a list for each column. */
  async dictionaries({ dictionaries }: ImportPaths): Promise<string[][]> {
    return readLines(dictionaries, dictionarySchema);
  }

  /** Cells that tell a limit only, for each column. */
  async limits({ limits }: ImportPaths): Promise<ToldLimits[]> {
    // A file that was read before limits were kept has none.
    return readLines(limits, limitsSchema).catch(() => []);
  }

  async remove(id: string, reading?: string): Promise<void> {
    const prefix = reading === undefined ? id : `${id}.${reading}.`;
    await this.#removeWhere((name) => name.startsWith(prefix));
  }

  /** Removes what belongs to no import any more, such as a file whose reading was cut off by a power cut. */
  async keepOnly(ids: ReadonlySet<string>): Promise<void> {
    await this.#removeWhere((name) => !ids.has(name.split('.')[0] ?? ''));
  }

  async #removeWhere(goes: (name: string) => boolean): Promise<void> {
    const names = await readdir(this.folder).catch(() => []);
    await Promise.all(names.filter(goes).map((name) => rm(join(this.folder, name), { force: true })));
  }
}

async function readLines<T>(path: string, schema: z.ZodType<T>): Promise<T[]> {
  const content = await readFile(path, 'utf8');
  return content.split('\n').map((line) => schema.parse(JSON.parse(line)));
}

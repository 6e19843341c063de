import { createHash, type Hash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { PassThrough, Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { DomainError } from '../errors/domain-error';
import { type BackupHead, backupHeadSchema, FORMAT } from './backup-head';

/**
 * A backup is data and nothing else: a line of JSON that says what is in it; of each table the text that COPY writes, in frames
 * of four bytes of length and so many of text, an empty one at its end; and the SHA-256 of all that. The whole is gzipped.
 */
const MOST_HEAD = 1024 * 1024;
const MOST_FRAME = 16 * 1024 * 1024;
const HASH_BYTES = 32;

/** Writes a backup. @param rowsOf what COPY writes of a table */
export async function writeBackupFile(path: string, head: BackupHead, rowsOf: (table: string) => Readable): Promise<void> {
  async function* content() {
    const hash = createHash('sha256');
    const told = (bytes: Buffer) => {
      hash.update(bytes);
      return bytes;
    };
    yield told(Buffer.from(`${JSON.stringify(head)}\n`));
    for (const { name } of head.tables) {
      for await (const piece of rowsOf(name)) yield told(frameOf(piece as Buffer));
      yield told(frameOf(Buffer.alloc(0)));
    }
    yield hash.digest();
  }
  await pipeline(Readable.from(content(), { objectMode: false }), createGzip({ level: 4 }), createWriteStream(path, { mode: 0o600 }));
}

function frameOf(piece: Buffer): Buffer {
  const length = Buffer.alloc(4);
  length.writeUInt32BE(piece.length);
  return Buffer.concat([length, piece]);
}

/**
 * Reads a backup from its beginning to its end, its checksum at last; what was read before the end is not to be relied on.
 * @param onTable takes the rows of a table, in the order of the head
 * @throws {DomainError} 'no-backup' for another kind of file, 'damaged-backup' for one that is cut off or changed
 */
export async function readBackupFile(
  path: string,
  onHead: (head: BackupHead) => Promise<void>,
  onTable: (table: BackupHead['tables'][number], rows: Readable) => Promise<void>,
): Promise<void> {
  const packed = createReadStream(path);
  const unpacked = createGunzip();
  // A pipe hands no error on: a disk that fails must end the reading too.
  packed.on('error', (error) => unpacked.destroy(error)).pipe(unpacked);
  const bytes = new Bytes(unpacked);
  try {
    const head = parsedHead(await bytes.line(MOST_HEAD));
    await onHead(head);
    for (const table of head.tables) await readTable(bytes, (rows) => onTable(table, rows));
    const said = bytes.digest();
    const written = await bytes.take(HASH_BYTES);
    if (!written.equals(said) || !(await bytes.isAtEnd())) throw damaged();
  } catch (error) {
    // What the unpacking finds wrong has a code of its own kind.
    if (error instanceof Error && 'code' in error && String(error.code).startsWith('Z_')) throw bytes.begun ? damaged() : noBackup();
    throw error;
  } finally {
    bytes.end();
  }
}

async function readTable(bytes: Bytes, take: (rows: Readable) => Promise<void>): Promise<void> {
  const rows = new PassThrough();
  const taken = take(rows);
  // Told apart below; until then nobody waits for it.
  taken.catch(() => {});
  try {
    for (;;) {
      const length = (await bytes.take(4)).readUInt32BE();
      if (length > MOST_FRAME) throw damaged();
      if (length === 0) break;
      const piece = await bytes.take(length);
      if (!rows.write(piece)) await Promise.race([new Promise((resolve) => rows.once('drain', resolve)), taken]);
    }
  } catch (error) {
    rows.destroy(error as Error);
    throw error;
  }
  rows.end();
  await taken;
}

function parsedHead(line: Buffer): BackupHead {
  let content: unknown;
  try {
    content = JSON.parse(line.toString('utf8'));
  } catch {
    throw noBackup();
  }
  const head = backupHeadSchema.safeParse(content);
  if (!head.success) throw noBackup();
  if (head.data.version > FORMAT) throw newer(head.data.program);
  return head.data;
}

/** What a stream brings, taken in pieces of known length, with the checksum of what was taken. */
class Bytes {
  readonly #pieces: AsyncIterator<Buffer>;
  readonly #hash: Hash = createHash('sha256');
  #held: Buffer = Buffer.alloc(0);
  begun = false;

  constructor(private readonly stream: Readable) {
    this.#pieces = stream[Symbol.asyncIterator]();
  }

  async take(length: number): Promise<Buffer> {
    const parts = [this.#held];
    let there = this.#held.length;
    while (there < length) {
      const piece = await this.#next();
      if (!piece) throw damaged();
      parts.push(piece);
      there += piece.length;
    }
    const all = parts.length === 1 ? this.#held : Buffer.concat(parts);
    this.#held = all.subarray(length);
    const taken = all.subarray(0, length);
    this.#hash.update(taken);
    return taken;
  }

  /** Up to the end of a line, which is not part of it. */
  async line(most: number): Promise<Buffer> {
    while (!this.#held.includes(10)) {
      if (this.#held.length > most) throw noBackup();
      const piece = await this.#next();
      if (!piece) throw noBackup();
      this.#held = Buffer.concat([this.#held, piece]);
    }
    const line = await this.take(this.#held.indexOf(10) + 1);
    return line.subarray(0, -1);
  }

  async isAtEnd(): Promise<boolean> {
    return this.#held.length === 0 && (await this.#next()) === null;
  }

  /** Of all that was taken so far. */
  digest(): Buffer {
    return this.#hash.copy().digest();
  }

  end(): void {
    this.stream.destroy();
  }

  async #next(): Promise<Buffer | null> {
    const { value, done } = await this.#pieces.next();
    if (done) return null;
    this.begun = true;
    return value as Buffer;
  }
}

export function noBackup(): DomainError {
  return new DomainError('no-backup', 'The file is no backup of Ivlen.', {
    hint: 'Choose a file that ./ivlen backup wrote. Dumps of a database are not taken: they may hold commands.',
  });
}

export function newer(program: string): DomainError {
  return new DomainError('newer-backup', `The backup was written by a newer version of Ivlen (${program}), which this one cannot read.`, {
    hint: 'Restore it with that version or a later one.',
  });
}

export function damaged(): DomainError {
  return new DomainError('damaged-backup', 'The backup is cut off or damaged: its content is not what was written.', {
    hint: 'Fetch the file again from where it is kept, or take an earlier one.',
  });
}

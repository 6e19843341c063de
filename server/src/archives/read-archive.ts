import { createHash } from 'node:crypto';
import { closeSync, openSync, writeSync } from 'node:fs';
import {
  ARCHIVE_VERSION,
  archiveHeadSchema,
  type ImportSettings,
  type StudyArchive,
  studyArchiveSchema,
  type Variable,
} from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import { type BlocksFile, openBlocksFile } from '../imports/column-blocks';
import type { ColumnReading } from '../imports/column-builder';
import { readIso } from '../imports/date-reader';
import { unpack } from '../imports/formats/unpack';
import { createNumberReader } from '../imports/number-reader';
import type { ImportPaths } from '../imports/read-file';
import { scanTable } from '../imports/scan-table';
import { fileSource } from '../imports/table-source';
import { circleAmong, orphanAmong } from './circles';

const MEGABYTE = 1024 * 1024;
/** What an archive may unpack to: tables shrink to a tenth or so, hardly ever to a two-hundredth. */
const MOST_UNPACKED = 2048 * MEGABYTE;
const ALWAYS_ALLOWED = 256 * MEGABYTE;
const MOST_GROWTH = 200;
const LARGEST_STUDY_JSON = 64 * 1024 * 1024;

export interface ReadArchiveRequest {
  readonly paths: ImportPaths;
  /** Bytes read so far and in all, in shared memory. */
  readonly progress: Float64Array;
  /** Whether data with another checksum than the archive says are refused; who compares them anyhow takes them as they are. */
  readonly verifies: boolean;
}

export interface ReadArchive {
  readonly archive: StudyArchive;
  /** Texts by code, one for each variable; its values are in the blocks file, one column further on. */
  readonly dictionaries: readonly (readonly string[])[];
}

/** How the archive's own data.csv is written. */
const AS_WRITTEN: ImportSettings = {
  format: 'text',
  sheet: null,
  encoding: 'utf-8',
  separator: ',',
  quotes: true,
  decimal: '.',
  thousands: 'none',
  header: true,
  unitsRow: false,
  top: 0,
  nameRows: 1,
  foot: 0,
  between: false,
  missingCodes: [],
  columns: {},
};

/**
 * Reads a study archive: its values into the blocks file, all the rest as an object.
 * @throws {DomainError} 'no-archive', 'newer-archive', 'damaged-archive', 'unpacks-too-large', 'damaged-zip'
 */
export async function readArchive({ paths, progress, verifies }: ReadArchiveRequest): Promise<ReadArchive> {
  const parts = unpackParts(paths);
  const archive = parseStudy(parts.study);
  if (verifies && parts.saidSha256 !== null && parts.saidSha256 !== parts.dataSha256)
    throw damaged('data.csv has another checksum than datapackage.json says');
  const { variables } = archive.state;
  const data = fileSource(paths.text);
  progress[1] = data.bytes;
  let blocks: BlocksFile | undefined;
  try {
    const table = await scanTable(data, AS_WRITTEN, {
      readings: [{ storage: 'number', read: createNumberReader(AS_WRITTEN), decimal: '.' }, ...variables.map(readingOf)],
      blocks: (width) => {
        blocks = openBlocksFile(paths.blocks, width, 'w+');
        return blocks;
      },
      onBytes: (bytes) => {
        progress[0] = bytes;
      },
    });
    if (table.width !== variables.length + 1) throw damaged(`data.csv has ${table.width} columns instead of ${variables.length + 1}`);
    if (table.rows !== archive.rows) throw damaged(`data.csv has ${table.rows} rows instead of ${archive.rows}`);
    const unread = table.columns.findIndex(({ exceptionCount }) => exceptionCount > 0);
    if (unread >= 0) throw damaged(`${table.names[unread]} in data.csv`);
    return { archive, dictionaries: table.columns.slice(1).map((column) => column.dictionary()) };
  } finally {
    blocks?.close();
  }
}

interface Parts {
  /** study.json. */
  readonly study: string;
  readonly dataSha256: string;
  /** The checksum of the data as datapackage.json has it; null where it says none. */
  readonly saidSha256: string | null;
}

/** Unpacks data.csv into a file, and the small parts into memory. */
function unpackParts(paths: ImportPaths): Parts {
  const kept = { 'study.json': [] as Uint8Array[], 'datapackage.json': [] as Uint8Array[] };
  let keptBytes = 0;
  const hash = createHash('sha256');
  const file = openSync(paths.text, 'w', 0o600);
  try {
    const keep = (name: string) => {
      if (name === 'data.csv') {
        return (bytes: Uint8Array) => {
          hash.update(bytes);
          writeSync(file, bytes);
        };
      }
      if (name !== 'study.json' && name !== 'datapackage.json') return null;
      return (bytes: Uint8Array) => {
        keptBytes += bytes.length;
        if (keptBytes > LARGEST_STUDY_JSON) throw damaged(`${name} is too large`);
        kept[name].push(bytes.slice());
      };
    };
    const source = fileSource(paths.source);
    unpack(source.pieces(), keep, Math.min(MOST_UNPACKED, Math.max(ALWAYS_ALLOWED, MOST_GROWTH * source.bytes)));
  } finally {
    closeSync(file);
  }
  const textOf = (name: keyof typeof kept) => new TextDecoder().decode(Buffer.concat(kept[name]));
  return {
    study: textOf('study.json'),
    dataSha256: hash.digest('hex'),
    saidSha256: /"hash":\s*"sha256:([0-9a-f]{64})"/.exec(textOf('datapackage.json'))?.[1] ?? null,
  };
}

function parseStudy(text: string): StudyArchive {
  const content = parsedJson(text);
  const head = archiveHeadSchema.safeParse(content);
  if (!head.success) {
    throw new DomainError('no-archive', 'This is no study archive: it holds no study.json that says so.', {
      hint: 'Choose a file that was made by exporting a study as an archive; a table is brought in as CSV, XLSX, Parquet or JSON.',
    });
  }
  if (head.data.version > ARCHIVE_VERSION) {
    throw new DomainError('newer-archive', 'The archive was written by a newer version of Ivlen, which this one cannot read.', {
      where: `version ${head.data.version}; up to ${ARCHIVE_VERSION} is read`,
      hint: 'Bring it in with the newer version; its data.csv can be brought in here as a table.',
    });
  }
  const archive = studyArchiveSchema.safeParse(content);
  if (!archive.success) throw damaged(`study.json: ${archive.error.issues[0]?.path.join('.')}`);
  const circle = circleAmong(archive.data.state.variables);
  if (circle !== null) throw damaged(`study.json: ${circle} is computed from itself`);
  const orphan = orphanAmong(archive.data.state.variables);
  if (orphan !== null) throw damaged(`study.json: ${orphan} is computed from a variable that is not there`);
  return archive.data;
}

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

function readingOf({ storage }: Variable): ColumnReading {
  if (storage === 'code') return { storage };
  if (storage === 'day') return { storage, read: readIso };
  return { storage, read: createNumberReader(AS_WRITTEN), decimal: '.' };
}

function damaged(where: string): DomainError {
  return new DomainError('damaged-archive', 'The archive is damaged, or was changed by hand.', {
    where,
    hint: 'Export the study again; or bring the data.csv inside it in as a table.',
  });
}

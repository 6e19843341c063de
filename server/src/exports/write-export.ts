import { createHash } from 'node:crypto';
import { closeSync, openSync, writeSync } from 'node:fs';
import type { AnalysisRecord, ExportFormat, StudyArchive } from '@ivlen/contract';
import { strToU8, Zip, ZipDeflate } from 'fflate';
import { csvLines } from './csv-lines';
import { dataPackage } from './data-package';
import type { ExportTable } from './export-table';
import { recordPage } from './record-page';
import { writeParquet } from './write-parquet';

export interface WriteExportRequest {
  readonly path: string;
  readonly format: ExportFormat;
  readonly table: ExportTable;
  readonly labels: boolean;
  readonly faithful: boolean;
  /** For an archive: what goes with the values. */
  readonly archive: StudyArchive | null;
  /** For an archive: what was computed for its report. */
  readonly record: Omit<AnalysisRecord, 'dataSha256'> | null;
  /** Rows written so far, in shared memory. */
  readonly progress: Float64Array;
}

/** Writes a table into a file. */
export function writeExport(request: WriteExportRequest): void {
  if (request.format === 'parquet') writeParquet(request.path, request.table, request.labels);
  else {
    const file = openSync(request.path, 'w', 0o600);
    try {
      if (request.archive) writeArchive(file, request, request.archive);
      else for (const text of lines(request)) writeSync(file, text);
    } finally {
      closeSync(file);
    }
  }
}

function* lines({ table, labels, faithful, archive, progress }: WriteExportRequest): Generator<string> {
  for (const { text, rows } of csvLines(table, { labels, rowNumbers: archive !== null, faithful: faithful || archive !== null })) {
    yield text;
    progress[0] = rows;
  }
}

function writeArchive(file: number, request: WriteExportRequest, archive: StudyArchive): void {
  const zip = new Zip((error, data) => {
    if (error) throw error;
    writeSync(file, data);
  });
  // What tells whether the rest can be read comes first.
  const json = (name: string, content: object) => {
    const entry = new ZipDeflate(name);
    zip.add(entry);
    entry.push(strToU8(JSON.stringify(content, null, 1)), true);
  };
  json('study.json', archive);
  const hash = createHash('sha256');
  const data = new ZipDeflate('data.csv');
  zip.add(data);
  for (const text of lines(request)) {
    const bytes = strToU8(text);
    hash.update(bytes);
    data.push(bytes);
  }
  data.push(new Uint8Array(0), true);
  const dataSha256 = hash.digest('hex');
  json('datapackage.json', dataPackage(archive, dataSha256));
  if (request.record) {
    const record = { ...request.record, dataSha256 };
    json('analysis.json', record);
    const page = new ZipDeflate('record.html');
    zip.add(page);
    page.push(strToU8(recordPage(archive, record)), true);
  }
  zip.end();
}

/** SHA-256 of a table as it stands in an archive's data.csv. */
export function checksumOf(table: ExportTable): string {
  const hash = createHash('sha256');
  for (const { text } of csvLines(table, { labels: false, rowNumbers: true, faithful: true })) hash.update(text, 'utf8');
  return hash.digest('hex');
}

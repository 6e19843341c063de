import type { ReportSettings } from '@ivlen/contract';
import { wrap } from 'comlink';
import type { WrittenReport } from '../written-report';
import type { writeDocx } from './docx.worker';
import { paperDocument, type Tell } from './paper-document';

/** The report as a Word document; figures are drawn here, the document is written in a worker. */
export async function reportAsDocx(report: WrittenReport, settings: ReportSettings, tell: Tell): Promise<Blob> {
  const paper = await paperDocument(report, settings, tell, { pictures: true });
  const worker = new Worker(new URL('./docx.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<{ writeDocx: typeof writeDocx }>(worker).writeDocx(paper);
  } finally {
    worker.terminate();
  }
}

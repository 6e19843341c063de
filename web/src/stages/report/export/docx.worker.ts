import { expose } from 'comlink';
import { Packer } from 'docx';
import { docxOf } from './docx-document';
import type { PaperDocument } from './paper-document';

export function writeDocx(paper: PaperDocument): Promise<Blob> {
  return Packer.toBlob(docxOf(paper));
}

expose({ writeDocx });

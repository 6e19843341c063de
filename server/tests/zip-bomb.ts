import { deflateRawSync } from 'node:zlib';
import { bytesOf } from './test-application';

/** A zip of one file of zeros that claims to hold ten bytes: its local file header (PKWARE APPNOTE 4.3.7) and the packed data. */
export function zipBomb(fileName: string, megabytes: number): Uint8Array {
  const packed = deflateRawSync(new Uint8Array(megabytes * 1024 * 1024), { level: 1 });
  const name = bytesOf(fileName);
  const header = new DataView(new ArrayBuffer(30));
  header.setUint32(0, 0x04034b50, true);
  header.setUint16(4, 20, true);
  header.setUint16(8, 8, true);
  header.setUint32(18, packed.length, true);
  header.setUint32(22, 10, true);
  header.setUint16(26, name.length, true);
  return Buffer.concat([new Uint8Array(header.buffer), name, packed]);
}

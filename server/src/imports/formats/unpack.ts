import { Unzip, UnzipInflate } from 'fflate';
import { DomainError } from '../../errors/domain-error';

/** Little at a time, since a byte may unpack to a thousand. */
const PUSHED_BYTES = 16 * 1024;

/**
 * Unpacks a zip as its bytes come. What its files claim about their size is not trusted: all that comes out is counted,
 * and unpacking ends as soon as it is too much.
 * @param keep where the bytes of a file go, by its name; null to count them only
 * @throws {DomainError} 'unpacks-too-large', 'damaged-zip'
 */
export function unpack(pieces: Iterable<Uint8Array>, keep: (name: string) => ((bytes: Uint8Array) => void) | null, most: number): void {
  let total = 0;
  const unzip = new Unzip((file) => {
    const sink = keep(file.name);
    file.ondata = (error, data) => {
      // The unpacker hands back what was thrown here, too.
      if (error) throw error instanceof DomainError ? error : damaged(error);
      total += data.length;
      if (total > most) throw tooLarge(most);
      sink?.(data);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (const piece of pieces) {
      for (let at = 0; at < piece.length; at += PUSHED_BYTES) unzip.push(piece.slice(at, at + PUSHED_BYTES));
    }
    unzip.push(new Uint8Array(0), true);
  } catch (error) {
    throw error instanceof DomainError ? error : damaged(error);
  }
}

/**
 * Unpacks some files of a zip into memory.
 * @param limits bytes of all that is in it, and of each file that is wanted
 */
export function unpackInMemory(
  bytes: Uint8Array,
  wanted: (name: string) => boolean,
  { most, each }: { readonly most: number; readonly each: number },
): Map<string, Uint8Array> {
  const kept = new Map<string, Uint8Array[]>();
  const keep = (name: string) => {
    if (!wanted(name)) return null;
    const pieces: Uint8Array[] = [];
    let size = 0;
    kept.set(name, pieces);
    return (data: Uint8Array) => {
      size += data.length;
      if (size > each) throw tooLarge(each);
      pieces.push(data.slice());
    };
  };
  unpack([bytes], keep, most);
  return new Map([...kept].map(([name, pieces]) => [name, Buffer.concat(pieces)]));
}

function tooLarge(most: number): DomainError {
  return new DomainError(
    'unpacks-too-large',
    `The file unpacks to more than ${Math.round(most / 1024 / 1024)} MB, and was not read further.`,
    {
      hint: 'If it is what you think it is, save its table as CSV and bring that in.',
    },
  );
}

function damaged(cause: unknown): DomainError {
  return new DomainError('damaged-zip', 'The file is damaged: it cannot be unpacked.', {
    ...(cause instanceof Error && cause.message ? { where: cause.message } : {}),
    hint: 'Copy or download it again, or save it anew from the program it was made with.',
  });
}

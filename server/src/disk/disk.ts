import { statfsSync } from 'node:fs';
import { DomainError } from '../errors/domain-error';

const MEGABYTE = 1024 * 1024;
/** So much is always left: a database that cannot write at all stands still. */
const RESERVE = 64 * MEGABYTE;
const BETWEEN_LOGS_MS = 60_000;

/** The disks on which an installation keeps what it keeps. */
export class Disk {
  #logged = Number.NEGATIVE_INFINITY;

  /**
   * @param folders where files wait, and where the database is
   * @param measure the free bytes of a folder's disk
   */
  constructor(
    private readonly folders: readonly string[],
    private readonly measure = freeBytes,
  ) {}

  /** What is free on the fullest of the disks; endless where no folder can be looked at. */
  free(): number {
    let free = Number.POSITIVE_INFINITY;
    for (const folder of this.folders) free = Math.min(free, this.measure(folder));
    return free;
  }

  isFull(): boolean {
    return this.free() < RESERVE;
  }

  /** Whether to log again that it is full: it stays so for long, is met by every request, and the log is on a disk, too. */
  isTimeToLog(now = performance.now()): boolean {
    if (now - this.#logged < BETWEEN_LOGS_MS) return false;
    this.#logged = now;
    return true;
  }

  /** To be asked before work that stores something. @throws {DomainError} 'disk-full' */
  requireRoom(bytes: number): void {
    const free = this.free();
    if (free >= bytes + RESERVE) return;
    if (free < RESERVE) throw this.fullError();
    throw new DomainError('disk-full', `The disk has no room for this: ${inMegabytes(free)} free, about ${inMegabytes(bytes)} needed.`, {
      hint: `Nothing was stored or lost. ${MAKE_ROOM}`,
    });
  }

  /** What is said where the disk was found full. */
  fullError(): DomainError {
    return new DomainError('disk-full', `The disk is full: ${inMegabytes(this.free())} free; nothing was lost.`, {
      hint: `What could not be written was left out whole. ${MAKE_ROOM}`,
    });
  }
}

const MAKE_ROOM = 'Make room on the disk, or empty the deleted studies on the home page, and try again.';

/** Whether an error means that nothing more could be written. */
export function isDiskFull(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code } = error as Error & { code?: unknown };
  return code === 'ENOSPC' || code === 'EDQUOT' || code === '53100' || /No space left on device/.test(error.message);
}

function freeBytes(folder: string): number {
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize;
  } catch {
    // What is not there is not full.
    return Number.POSITIVE_INFINITY;
  }
}

function inMegabytes(bytes: number): string {
  return `${Math.floor(bytes / MEGABYTE).toLocaleString('en-GB')} MB`;
}

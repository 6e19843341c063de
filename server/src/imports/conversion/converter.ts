import { fork } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { DomainError } from '../../errors/domain-error';
import { type Outcome, resultOf } from '../../workers/worker-outcome';
import { CONVERSION_HEAP_MEGABYTES, CONVERSION_MEMORY, CONVERSION_MOST_MS, CONVERSION_STALL_MS } from '../budgets';
import { type ConversionRequest, type Converted, convert, type OnProgress } from './conversion';

/** What the process that converts says. */
export type ConversionMessage = { readonly progress: { readonly done: number; readonly total: number } } | { readonly outcome: Outcome };

/** Turns files of other formats into text. */
export interface Converter {
  /** @throws {DomainError} what the file is refused for; 'too-much-memory', 'too-slow', 'broke-off' */
  convert(request: ConversionRequest, signal: AbortSignal, onProgress: OnProgress): Promise<Converted>;
}

interface Budget {
  readonly memory: number;
  readonly stallMs: number;
  readonly mostMs: number;
}

const USUAL: Budget = { memory: CONVERSION_MEMORY, stallMs: CONVERSION_STALL_MS, mostMs: CONVERSION_MOST_MS };
const LOOK_EVERY_MS = 100;

/**
 * Converts each file in a process of its own: what a hostile file does to it, down to the engine's own abort, ends that
 * process and nothing else.
 * @param file entry of the process
 * @param execArgv options of its engine
 */
export function createConverter(file: string, execArgv: readonly string[] = [], budget: Budget = USUAL): Converter {
  return {
    convert: (request, signal, onProgress) =>
      new Promise((resolve, reject) => {
        const child = fork(file, {
          execArgv: [`--max-old-space-size=${CONVERSION_HEAP_MEGABYTES}`, ...execArgv],
          stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
        });
        const started = Date.now();
        let lastSign = started;
        let outcome: Outcome | null = null;
        let ended: Error | null = null;
        const end = (why: Error) => {
          ended ??= why;
          child.kill('SIGKILL');
        };
        const onAbort = () => end(signal.reason instanceof Error ? signal.reason : new Error('stopped'));
        const watch = setInterval(async () => {
          const now = Date.now();
          if (now - lastSign > budget.stallMs || now - started > budget.mostMs) end(tooSlow(now - started));
          else if ((await residentBytes(child.pid)) > budget.memory) end(tooMuchMemory(budget.memory));
        }, LOOK_EVERY_MS);
        child.on('message', (message: ConversionMessage) => {
          lastSign = Date.now();
          if ('outcome' in message) outcome = message.outcome;
          else onProgress(message.progress.done, message.progress.total);
        });
        const settle = () => {
          clearInterval(watch);
          signal.removeEventListener('abort', onAbort);
          try {
            if (ended) throw ended;
            if (outcome === null) throw brokeOff();
            resolve(resultOf(outcome) as Converted);
          } catch (error) {
            reject(error);
          }
        };
        // A process that could not be started at all does not end either.
        child.once('error', (error) => {
          end(error);
          settle();
        });
        child.once('exit', settle);
        signal.addEventListener('abort', onAbort, { once: true });
        if (signal.aborted) onAbort();
        else child.send(request);
      }),
  };
}

/** The same in this process, for tests of what surrounds it. */
export function createInlineConverter(): Converter {
  return { convert: (request, _signal, onProgress) => convert(request, onProgress) };
}

/** Memory that a process holds; 0 where the system does not tell, and the engine's own limit has to do. */
async function residentBytes(pid: number | undefined): Promise<number> {
  const status = await readFile(`/proc/${pid}/status`, 'utf8').catch(() => '');
  return Number(/^VmRSS:\s+(\d+) kB/m.exec(status)?.[1] ?? 0) * 1024;
}

const OTHER_WAY = 'If it is what you think it is, save its table as CSV from the program it was made with, and bring that in.';

function tooMuchMemory(most: number): DomainError {
  return new DomainError(
    'too-much-memory',
    `The file needs more than ${Math.round(most / 1024 / 1024)} MB to be read, and was not read further.`,
    {
      hint: OTHER_WAY,
    },
  );
}

function tooSlow(ms: number): DomainError {
  return new DomainError('too-slow', `The file was not read in ${Math.round(ms / 1000)} seconds, and was not read further.`, {
    hint: OTHER_WAY,
  });
}

function brokeOff(): DomainError {
  return new DomainError('broke-off', 'Reading the file broke off: it asks for more than can be given, or is damaged.', {
    hint: OTHER_WAY,
  });
}

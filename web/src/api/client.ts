import { type ApiError, errorSchema, type JobEvent, jobEventSchema, jobStartedSchema } from '@ivlen/contract';
import { z } from 'zod';

/** An answer of the server that is an error, in its words. */
export class RequestError extends Error {
  readonly code: string;
  readonly where: string | undefined;
  readonly hint: string | undefined;

  constructor(error: ApiError) {
    super(error.message);
    this.name = 'RequestError';
    this.code = error.code;
    this.where = error.where;
    this.hint = error.hint;
  }
}

const UNREACHABLE: ApiError = {
  code: 'server-gone',
  message: 'Ivlen’s server does not answer.',
  hint: 'Nothing that was stored is lost. If it was stopped, start it again with ./ivlen start; this page goes on by itself.',
};

interface RequestOptions {
  method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** Sent as JSON. */
  json?: unknown;
  /** Sent as they are. */
  bytes?: Blob;
  signal?: AbortSignal;
}

/** Asks the server and checks its answer against the contract. */
export async function request<S extends z.ZodType>(path: string, schema: S, options: RequestOptions = {}): Promise<z.infer<S>> {
  const response = await send(path, options);
  return understood(schema, await response.json());
}

/** An answer that keeps to the contract; one that does not is said in words, since a page may be older than the server. */
function understood<S extends z.ZodType>(schema: S, answer: unknown): z.infer<S> {
  const { success, data, error } = schema.safeParse(answer);
  if (success) return data;
  throw new Error('The server answers in a form that this page does not know. Reload the page: it may be of another version.', {
    cause: error,
  });
}

/** How far a long request has come. */
export type Progress = Omit<Extract<JobEvent, { type: 'progress' }>, 'type'>;

interface JobOptions extends RequestOptions {
  onProgress: (progress: Progress) => void;
}

/** Asks for something that may take long: an answer at once, or a job whose progress is told until it ends. Aborting stops the job. */
export async function requestJob<S extends z.ZodType>(
  path: string,
  schema: S,
  { onProgress, ...options }: JobOptions,
): Promise<z.infer<S>> {
  const response = await send(path, options);
  const body: unknown = await response.json();
  if (response.status !== 202) return understood(schema, body);
  return understood(schema, await followJob(jobStartedSchema.parse(body).job, onProgress, options.signal));
}

function followJob(job: string, onProgress: (progress: Progress) => void, signal: AbortSignal | undefined): Promise<unknown> {
  const events = new EventSource(`/api/jobs/${job}/events`);
  return new Promise((resolve, reject) => {
    const stop = () => {
      void request(`/jobs/${job}`, z.unknown(), { method: 'DELETE' }).catch(() => {});
      reject(new DOMException('stopped', 'AbortError'));
    };
    if (signal?.aborted) stop();
    signal?.addEventListener('abort', stop);
    events.onmessage = ({ data }: MessageEvent<string>) => {
      const event = jobEventSchema.parse(JSON.parse(data));
      if (event.type === 'progress') onProgress(event);
      else if (event.type === 'done') resolve(event.result);
      else reject(new RequestError(event.error));
    };
    // Cut off, the browser asks again by itself; only an answer that refuses ends it.
    events.onerror = () => {
      if (events.readyState === EventSource.CLOSED) reject(new RequestError(UNREACHABLE));
    };
  }).finally(() => events.close());
}

/** A column of numbers as raw bytes. */
export async function requestNumbers(path: string, signal?: AbortSignal): Promise<Float64Array> {
  const response = await send(path, signal ? { signal } : {});
  return new Float64Array(await response.arrayBuffer());
}

async function send(path: string, { method = 'GET', json, bytes, signal }: RequestOptions): Promise<Response> {
  const init: RequestInit = { method };
  if (signal) init.signal = signal;
  if (json !== undefined) {
    init.headers = { 'Content-Type': 'application/json' };
    init.body = JSON.stringify(json);
  } else if (bytes) {
    init.headers = { 'Content-Type': 'application/octet-stream' };
    init.body = bytes;
  }
  const response = await fetch(`/api${path}`, init).catch((cause: unknown) => {
    if (cause instanceof DOMException && cause.name === 'AbortError') throw cause;
    throw new RequestError(UNREACHABLE);
  });
  if (!response.ok) throw new RequestError(await readError(response));
  return response;
}

async function readError(response: Response): Promise<ApiError> {
  const body: unknown = await response.json().catch(() => null);
  const parsed = errorSchema.safeParse(body);
  return parsed.success ? parsed.data.error : { ...UNREACHABLE, message: `Ivlen’s server answered with status ${response.status}.` };
}

/** On a full disk the database lets nobody in, until there is room again. */
const OUTAGES: ReadonlySet<string> = new Set(['server-gone', 'server-stopping', 'database-gone', 'disk-full']);

/** Whether an error means that server or database are away for the moment, as opposed to a refusal. */
export function isOutage(error: unknown): boolean {
  return error instanceof RequestError && OUTAGES.has(error.code);
}

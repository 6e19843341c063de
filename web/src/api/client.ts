import { type ApiError, errorSchema } from '@ivlen/contract';
import type { z } from 'zod';

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
  return schema.parse(await response.json());
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

/** Whether an error means that server or database are away for the moment, as opposed to a refusal. */
export function isOutage(error: unknown): boolean {
  return error instanceof RequestError && (error.code === 'server-gone' || error.code === 'database-gone');
}

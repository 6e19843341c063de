import { importPreviewSchema, LARGEST_FILE } from '@ivlen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { RequestError, request } from '../api/client';
import { importQuery } from '../api/queries';

const MEGABYTE = 1024 * 1024;

interface Failure {
  readonly name: string;
  readonly message: string;
  readonly hint: string;
}

/** Sends a table to be read and opens its preview. */
export function useStartImport() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [failure, setFailure] = useState<Failure | null>(null);
  const abort = useRef<AbortController | null>(null);

  const send = useMutation({
    mutationFn: ({ name, bytes }: { name: string; bytes: Blob }) => {
      abort.current = new AbortController();
      const path = `/imports?name=${encodeURIComponent(name.slice(-255))}`;
      return request(path, importPreviewSchema, { method: 'POST', bytes, signal: abort.current.signal });
    },
    onSuccess: (preview) => {
      client.setQueryData(importQuery(preview.id).queryKey, preview);
      void navigate(`/studies/new?import=${preview.id}`);
    },
    onError: (error, { name }) => {
      if (abort.current?.signal.aborted) return;
      const hint = error instanceof RequestError ? (error.hint ?? '') : 'Try again.';
      setFailure({ name, message: error.message, hint });
    },
  });
  const start = (name: string, bytes: Blob) => {
    setFailure(null);
    if (bytes.size > LARGEST_FILE) {
      const message = `The file is larger than ${LARGEST_FILE / MEGABYTE} MB.`;
      return setFailure({ name, message, hint: 'Keep only the columns you need, or split the file.' });
    }
    send.mutate({ name, bytes });
  };
  const size = send.variables ? Math.max(1, Math.round(send.variables.bytes.size / MEGABYTE)) : 0;
  const progress = send.isPending ? `Reading “${send.variables.name}” (${size === 1 ? 'up to 1' : size} MB) …` : null;
  return { start, progress, failure, stop: () => abort.current?.abort() };
}

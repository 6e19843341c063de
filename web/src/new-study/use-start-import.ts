import { importPreviewSchema, LARGEST_FILE, studySchema } from '@ivlen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { RequestError, requestJob } from '../api/client';
import { importQuery } from '../api/queries';
import { useJob, wasStopped } from '../api/use-job';

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
  // A file chosen for a study goes on into it.
  const { search } = useLocation();
  const [failure, setFailure] = useState<Failure | null>(null);
  const job = useJob();

  const send = useMutation({
    mutationFn: ({ name, bytes }: { name: string; bytes: Blob }) => {
      const query = `name=${encodeURIComponent(name.slice(-255))}`;
      return job.run(async (options) => {
        if (isArchive(name)) {
          const study = await requestJob(`/archives?${query}`, studySchema, { method: 'POST', bytes, ...options });
          await client.invalidateQueries({ queryKey: ['studies'] });
          return `/studies/${study.id}/correlations`;
        }
        const preview = await requestJob(`/imports?${query}`, importPreviewSchema, { method: 'POST', bytes, ...options });
        client.setQueryData(importQuery(preview.id).queryKey, preview);
        const into = new URLSearchParams(search);
        into.set('import', preview.id);
        return `/studies/new?${into}`;
      });
    },
    onSuccess: (path) => void navigate(path),
    onError: (error, { name }) => {
      if (wasStopped(error)) return;
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
  const reading = send.isPending ? `Reading “${send.variables.name}”` : null;
  return { start, reading, progress: job.progress, failure, stop: job.stop };
}

/** A study archive is brought back whole; every other file is a table to be looked at first. */
function isArchive(name: string): boolean {
  return /\.zip$/i.test(name);
}

import { type AnalysisInput, type PinnedThing, reportSchema, type Study } from '@ivlen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Pin } from 'lucide-react';
import { toast } from 'sonner';
import { request } from '../api/client';
import { useReadOnly } from '../study/read-only';
import { reportQuery } from './report-query';

/** What is pinned: how it is asked for and set, never a picture or a number. */
export interface Pinned {
  readonly stage: string;
  readonly thing: PinnedThing;
  /** What it shows, in words. */
  readonly title: string;
  readonly request: AnalysisInput | null;
  readonly settings: object;
  /** The decision at which it is held; where left out it follows the data. */
  readonly revision?: number;
}

interface PinButtonProps {
  readonly study: Study;
  readonly pinned: Pinned;
  readonly className?: string;
}

/** Chooses something for the report, where it follows the data. */
export function PinButton({ study, pinned, className = '' }: PinButtonProps) {
  const client = useQueryClient();
  const readOnly = useReadOnly();
  const pin = useMutation({
    mutationFn: () => {
      const content = { kind: 'pin', pin: { ...pinned, revision: pinned.revision ?? null } };
      return request(`/studies/${study.id}/report/blocks`, reportSchema, { method: 'POST', json: { after: null, blocks: [{ content }] } });
    },
    onSuccess: (report) => {
      client.setQueryData(reportQuery(study.id).queryKey, report);
      toast(`Pinned for the report: ${pinned.title}`);
    },
    onError: (error) => toast.error(`This was not pinned. ${error.message}`),
  });
  if (readOnly) return null;
  return (
    <button
      type="button"
      className={`inline-flex items-center gap-1 text-accent hover:underline ${className}`}
      aria-label={`Pin for the report: ${pinned.title}`}
      disabled={pin.isPending}
      onClick={() => pin.mutate()}
    >
      <Pin size={14} aria-hidden="true" /> Pin
    </button>
  );
}

import { pinnedSchema, type ReportBlock } from '@ivlen/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook, waitFor } from '@testing-library/react';
import { createElement, type ReactNode } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { readAhead } from '../src/stages/report/read-ahead';
import { useReport } from '../src/stages/report/use-report';
import { NOTHING_TOLD } from '../src/telling/told';
import { serve } from './served';
import { testStudy } from './test-study';

const study = testStudy();
const pinned = (title: string) =>
  pinnedSchema.parse({ stage: 'correlations', thing: 'matrix', title, request: null, settings: {}, revision: null });
const block = (place: number, content: ReportBlock['content']): ReportBlock => ({
  id: `6f0b9d2e-2d7c-4b2e-9a53-00000000000${place}`,
  version: 1,
  content,
  title: null,
  text: null,
  shows: null,
  beside: null,
});
const blocks = [
  block(1, { kind: 'pin', pin: pinned('first') }),
  block(2, { kind: 'paragraph', of: 'data' }),
  block(3, { kind: 'pin', pin: pinned('second') }),
];
const answers = (of: readonly ReportBlock[]) => ({
  'GET /report': { blocks: of },
  'GET /settings/report': { version: 0, settings: null },
  'GET /settings/shape': { version: 0, settings: null },
  'GET /checksum': { sha256: 'f'.repeat(64) },
});

describe('what the report will ask for, read ahead', () => {
  it('is everything pinned, told once, and there when the report opens', async () => {
    serve(answers(blocks));
    const told: string[] = [];
    const tell = vi.fn(async ({ title }: { title: string }) => {
      told.push(title);
      return NOTHING_TOLD;
    });
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    await readAhead(client, study, { correlations: async () => tell as never });
    expect(told).toEqual(['first', 'second']);
    expect(client.getQueryCache().findAll({ queryKey: ['told'] })).toHaveLength(2);
  });

  it('is nothing more than the list of blocks where the report is empty, or the table large', async () => {
    const tell = vi.fn();
    const stages = { correlations: async () => tell as never };
    serve(answers([]));
    await readAhead(new QueryClient(), study, stages);
    serve(answers(blocks));
    await readAhead(new QueryClient(), { ...study, rows: 1_000_000 }, stages);
    expect(tell).not.toHaveBeenCalled();
  });
});

it('an answer that was asked for before a change does not bring the former blocks back', async () => {
  let late: (response: Response) => void = () => {};
  vi.stubGlobal('fetch', (_: string, { method = 'GET', signal }: RequestInit) =>
    method === 'POST'
      ? Promise.resolve(new Response(JSON.stringify({ blocks })))
      : new Promise<Response>((resolve, reject) => {
          late = resolve;
          signal?.addEventListener('abort', () => reject(signal.reason));
        }),
  );
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => createElement(QueryClientProvider, { client }, children);
  const { result } = renderHook(() => useReport(study), { wrapper });
  result.current.add.mutate({ blocks: [] });
  await waitFor(() => expect(result.current.blocks).toHaveLength(3));
  late(new Response(JSON.stringify({ blocks: [] })));
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(result.current.blocks).toHaveLength(3);
});

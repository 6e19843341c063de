import { screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { useLongAnalysis } from '../src/api/use-long-analysis';
import { ProgressLine } from '../src/controls/progress-line';
import { StoppedNotice } from '../src/controls/stopped-notice';
import { show } from './served';
import { testStudy } from './test-study';

const study = testStudy();

function Summary({ enabled = true }: { enabled?: boolean }) {
  const { data, error, progress, stopped, stop, resume } = useLongAnalysis(study, { kind: 'summary' }, { enabled });
  if (error) return <p>{error.message}</p>;
  if (stopped) return <StoppedNotice onResume={resume} />;
  if (data) return <p>{data.variables.length} variables</p>;
  return <ProgressLine label="Computing" progress={progress} onStop={stop} />;
}

it('is stopped, says so, and is taken up again to its end', async () => {
  let asked = 0;
  vi.stubGlobal('fetch', (_: string, { signal }: RequestInit) => {
    asked++;
    if (asked > 1) return Promise.resolve(new Response(JSON.stringify({ kind: 'summary', variables: [] })));
    return new Promise((_resolve, reject) => signal?.addEventListener('abort', () => reject(signal.reason)));
  });
  const { user } = show(<Summary />);
  await user.click(screen.getByRole('button', { name: 'Stop' }));
  expect(await screen.findByText('The computing was stopped.')).toBeTruthy();
  expect(asked).toBe(1);
  await user.click(screen.getByRole('button', { name: 'Compute' }));
  expect(await screen.findByText('0 variables')).toBeTruthy();
  expect(asked).toBe(2);
});

it('that is not wanted yet is not stopped either', () => {
  const asked = vi.fn();
  vi.stubGlobal('fetch', asked);
  show(<Summary enabled={false} />);
  expect(screen.getByRole('status').textContent).toContain('Computing');
  expect(asked).not.toHaveBeenCalled();
});

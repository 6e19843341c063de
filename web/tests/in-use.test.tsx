import { screen, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { inUseEditors } from '../src/in-use/in-use-editors';
import { rowsWords, variablesWords } from '../src/in-use/in-use-words';
import { MethodsLine } from '../src/methods-line/methods-line';
import { withEditors } from '../src/methods-line/methods-parts';
import { ReadOnly } from '../src/study/read-only';
import { serve, show } from './served';
import { testStudy } from './test-study';

const study = testStudy();
const parts = (set = vi.fn()) => {
  const workingSet = { variables: study.state.variables.slice(0, 2), has: () => true, set, replace: vi.fn() };
  return withEditors(['Of ', variablesWords('2 variables'), ' in ', rowsWords('all 40 rows'), '.'], inUseEditors(study, workingSet));
};

it('the variables in a sentence open their list, which ticks and unticks them', async () => {
  const set = vi.fn();
  const { user } = show(<MethodsLine parts={parts(set)} />);
  await user.click(screen.getByRole('button', { name: /change the variables/ }));
  const list = screen.getByRole('group', { name: 'Variables looked at' });
  expect(within(list).getAllByRole('checkbox', { checked: true })).toHaveLength(2);
  await user.click(within(list).getByRole('checkbox', { name: 'mayfly taxa' }));
  expect(set).toHaveBeenLastCalledWith(['v3'], true);
  await user.click(within(list).getByRole('checkbox', { name: 'phosphate' }));
  expect(set).toHaveBeenLastCalledWith(['v2'], false);
});

it('the rows in a sentence open the rules right there, and rows chosen by them are used', async () => {
  const changed = { ...study, head: 2 };
  const sent = serve({ 'POST /subset-count': { rows: 12, inUse: 12 }, 'POST /changes': changed });
  const { user } = show(<MethodsLine parts={parts()} />);
  await user.click(screen.getByRole('button', { name: /change the rows/ }));
  expect(screen.getByText(/Computed over all 40 rows/)).toBeTruthy();
  const last = await screen.findByRole('textbox', { name: 'Last row' });
  await user.clear(last);
  await user.type(last, '12{Enter}');
  expect(await screen.findByText(/of 40 rows: rows? .*1.*12/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Use these rows' }));
  expect(sent.find(({ what }) => what === 'POST /changes')?.body).toMatchObject({
    change: { type: 'set-subset', subset: { join: 'all', rules: [{ type: 'rows', from: 1, to: 12, not: false }] } },
  });
  await vi.waitFor(() => expect(screen.queryByRole('button', { name: 'Use these rows' })).toBeNull());
});

it('in an earlier state the rows are told, and no rule can be used', async () => {
  const { user } = show(
    <ReadOnly value={true}>
      <MethodsLine parts={parts()} />
    </ReadOnly>,
  );
  await user.click(screen.getByRole('button', { name: /change the rows/ }));
  expect(screen.getByText(/Computed over all 40 rows/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Use these rows' })).toBeNull();
});

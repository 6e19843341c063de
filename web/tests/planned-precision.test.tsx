import { fireEvent, screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { SampleSizeForDifference, SampleSizeForWidth } from '../src/reported/planned-precision';
import { show } from './served';

const type = (section: HTMLElement, label: string, value: string) =>
  fireEvent.change(within(section).getByLabelText(label), { target: { value } });

it('says how many cases an interval of a width needs, by each coefficient, and what is wrong with the fields', () => {
  show(<SampleSizeForWidth />);
  const section = screen.getByRole('region', { name: 'Sample size for an interval' });
  expect(section.textContent).toContain('cases needed219');
  fireEvent.change(within(section).getByRole('combobox'), { target: { value: 'kendall' } });
  expect(section.textContent).toContain('cases needed99');
  expect(section.textContent).toContain('ties widen that of τ');
  fireEvent.change(within(section).getByRole('combobox'), { target: { value: 'spearman' } });
  type(section, 'expected', '−.5');
  expect(section.textContent).toContain('cases needed246');
  for (const [label, value, words] of [
    ['width', '2', 'The width lies between .002 and 2'],
    ['confidence', '95', 'The confidence level lies between .5 and 1'],
    ['expected', '1.2', 'between −1 and 1'],
  ] as const) {
    type(section, label, value);
    expect(screen.getByRole('alert').textContent).toContain(words);
    expect(screen.queryByTestId('reported-width')).toBeNull();
    type(section, label, { width: '.2', confidence: '.95', expected: '.5' }[label]);
  }
  type(section, 'width', '');
  expect(screen.queryByRole('alert')).toBeNull();
});

it('says how many cases tell two correlations apart, and that equal ones cannot be', () => {
  show(<SampleSizeForDifference />);
  const section = screen.getByRole('region', { name: 'Sample size for a difference' });
  type(section, 'r in one group', '.5');
  type(section, 'r in the other', '.2443');
  expect(section.textContent).toContain('cases needed in each group178');
  type(section, 'r in the other', '.5');
  expect(screen.getByRole('alert').textContent).toContain('No number of cases tells equal correlations apart');
  type(section, 'r in the other', '.2');
  type(section, 'power', '.03');
  expect(screen.getByRole('alert').textContent).toContain('The power lies between the level and 1');
});

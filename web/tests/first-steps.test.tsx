import { studySchema } from '@ivlen/contract';
import { screen } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { FirstSteps } from '../src/first-steps/first-steps';
import { STEPS } from '../src/first-steps/steps';
import { startFirstSteps } from '../src/first-steps/use-first-steps';
import { STAGES } from '../src/stages';
import { showRoutes } from './show-routes';
import { testStudy } from './test-study';

const demo = studySchema.parse({ ...testStudy(), name: 'Aldermere streams' });

/** A page with the controls that the first steps speak of, as the stages have them. */
function Screen({ study = demo, card = false }) {
  return (
    <>
      <nav aria-label="Stages">
        {STAGES.map(({ id, name }) => (
          <a key={id} href={`/studies/x/${id}`}>
            {name}
          </a>
        ))}
      </nav>
      <FirstSteps study={study} />
      <aside aria-label="Variables" />
      <p data-testid="methods-line" />
      <div role="grid">
        <span role="gridcell" aria-selected="false" tabIndex={0} />
      </div>
      {card && <p data-testid="pair-sentence" />}
    </>
  );
}

const open = (stage = 'correlations', content = <Screen />) =>
  showRoutes([{ path: '/studies/:id/:stage', element: content }], `/studies/x/${stage}`);
const step = () => screen.findByTestId('first-step');

beforeEach(() => localStorage.clear());

describe('the first steps', () => {
  it('are nine at most, in the order of the work, each short', () => {
    expect(STEPS.length).toBeLessThanOrEqual(9);
    expect(STEPS.every(({ words }) => words.split(' ').length <= 30)).toBe(true);
    expect(STEPS.every(({ stage }) => STAGES.some(({ id }) => id === stage))).toBe(true);
  });

  it('go on one by one, and lead to the stage that the next is about', async () => {
    const { user } = open();
    expect((await step()).getAttribute('aria-label')).toBe('First steps, 1 of 9');
    expect((await step()).textContent).toContain('Every stage shows the variables that are ticked here.');
    await user.click(screen.getByRole('button', { name: 'Next hint' }));
    expect((await step()).textContent).toContain('Next: Data. Press it.');
  });

  it('say what has to be done before their control is there', async () => {
    localStorage.setItem('ivlen.firstSteps', '5');
    const { user } = open();
    expect((await step()).textContent).toContain('Press a cell of the matrix, and its card opens here.');
    await user.click(screen.getByRole('button', { name: 'No more hints' }));
    expect(screen.queryByTestId('first-step')).toBeNull();
  });

  it('speak of the control once it is there', async () => {
    localStorage.setItem('ivlen.firstSteps', '5');
    open('correlations', <Screen card />);
    expect(await screen.findByText(/“Copy” takes it along/)).toBeTruthy();
  });

  it('once put away stay away, until they are started again', async () => {
    const { user } = open();
    await step();
    await user.click(screen.getByRole('button', { name: 'No more hints' }));
    expect(screen.queryByTestId('first-step')).toBeNull();
    expect(localStorage.getItem('ivlen.firstSteps')).toBe('9');
    startFirstSteps();
    expect((await step()).getAttribute('aria-label')).toBe('First steps, 1 of 9');
  });

  it('are over after the last', async () => {
    localStorage.setItem('ivlen.firstSteps', '8');
    const { user } = open('data');
    await step();
    await user.click(screen.getByRole('button', { name: 'Done' }));
    expect(screen.queryByTestId('first-step')).toBeNull();
  });

  it('belong to the demo alone', () => {
    open('correlations', <Screen study={studySchema.parse({ ...testStudy(), name: 'Brook' })} />);
    expect(screen.queryByTestId('first-step')).toBeNull();
  });

  it('begin where what is stored cannot be read', async () => {
    localStorage.setItem('ivlen.firstSteps', 'soon');
    open();
    expect((await step()).getAttribute('aria-label')).toBe('First steps, 1 of 9');
  });
});

import { perform, type Task } from './workers/tasks';
import { type Outcome, outcomeOf } from './workers/worker-outcome';

/** Entry of a worker thread: one task in, one outcome back. */
export default function work(task: Task): Promise<Outcome> {
  return outcomeOf(() => perform(task));
}

import { startFirstSteps } from '../first-steps/use-first-steps';
import { DemoLink } from '../help-texts/demo-link';

/** Begins the first steps on the demo again. */
export function StartFirstSteps() {
  return (
    <p className="border-t border-rule pt-3 text-[14px]">
      <DemoLink to="correlations" before={startFirstSteps}>
        Start the first steps
      </DemoLink>
      <span className="block text-[13px] text-muted">Nine hints on the screens of the demo.</span>
    </p>
  );
}

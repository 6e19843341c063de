import { arrow, autoUpdate, flip, offset, shift, useFloating } from '@floating-ui/react-dom';
import type { Study } from '@ivlen/contract';
import { X } from 'lucide-react';
import { useLayoutEffect, useState } from 'react';
import { useParams } from 'react-router';
import { DEMO_NAME } from '../help-texts/address-in-demo';
import { STEPS, type Step } from './steps';
import { useElement } from './use-element';
import { useFirstSteps } from './use-first-steps';

const [GAP, EDGE, ARROW] = [12, 8, 10];

/** The first steps, one at a time, on the screens of the demo. */
export function FirstSteps({ study }: { study: Study }) {
  const { next } = useFirstSteps();
  const step = next === null ? undefined : STEPS[next];
  return study.name === DEMO_NAME && step ? <StepHint key={step.id} step={step} number={(next ?? 0) + 1} /> : null;
}

function StepHint({ step, number }: { step: Step; number: number }) {
  const { stage } = useParams();
  const { goTo, end } = useFirstSteps();
  const isHere = stage === step.stage;
  const control = useElement(step.at);
  const before = useElement(step.before?.at ?? step.at);
  const link = useElement(`nav[aria-label="Stages"] a[href$="/${step.stage}"]`);
  const target = isHere ? (control ?? before) : link;
  const waits = isHere && !control && step.before;
  const [tip, setTip] = useState<HTMLElement | null>(null);
  const { refs, floatingStyles, placement, middlewareData } = useFloating({
    placement: step.id === 'panel' ? 'right' : 'bottom',
    strategy: 'fixed',
    middleware: [
      offset(GAP),
      flip({ fallbackAxisSideDirection: 'end', padding: EDGE }),
      shift({ padding: EDGE }),
      arrow({ element: tip, padding: 6 }),
    ],
    whileElementsMounted: autoUpdate,
  });
  useLayoutEffect(() => refs.setReference(target), [refs, target]);
  if (!target) return null;
  const words = !isHere ? `Next: ${link?.textContent}. Press it.` : waits ? waits.words : step.words;
  const [side = 'bottom'] = placement.split('-');
  return (
    <section
      ref={refs.setFloating}
      aria-label={`First steps, ${number} of ${STEPS.length}`}
      style={floatingStyles}
      className="popover z-30 w-72 border-accent"
      data-testid="first-step"
    >
      <span
        ref={setTip}
        aria-hidden="true"
        className="absolute size-2.5 rotate-45 border-accent bg-surface"
        style={arrowPlace(side, middlewareData.arrow)}
      />
      <div aria-live="polite">
        <p className="pr-7 font-semibold">{step.title}</p>
        <p className="mt-1">{words}</p>
      </div>
      <div className="mt-2.5 flex items-center gap-4">
        <span className="numerals text-[13px] text-muted">
          {number} of {STEPS.length}
        </span>
        <button type="button" className="button-quiet ml-auto" onClick={() => goTo(number)}>
          {number === STEPS.length ? 'Done' : 'Next hint'}
        </button>
      </div>
      <button type="button" className="icon-button absolute top-1.5 right-1.5" aria-label="No more hints" onClick={end}>
        <X size={15} />
      </button>
    </section>
  );
}

const OPPOSITE: Readonly<Record<string, string>> = { top: 'bottom', bottom: 'top', left: 'right', right: 'left' };
/** Of the turned square, the two edges that point outwards. */
const EDGES: Readonly<Record<string, string>> = {
  top: '0 1px 1px 0',
  bottom: '1px 0 0 1px',
  left: '1px 1px 0 0',
  right: '0 0 1px 1px',
};

function arrowPlace(side: string, at: { x?: number; y?: number } | undefined) {
  return {
    left: at?.x,
    top: at?.y,
    [OPPOSITE[side] ?? 'top']: -ARROW / 2 - 1,
    borderStyle: 'solid',
    borderWidth: EDGES[side],
  };
}

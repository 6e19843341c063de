import { EllipsisVertical } from 'lucide-react';
import { Popover } from 'radix-ui';
import { lazy, Suspense, useState } from 'react';
import { useReadOnly } from '../../../study/read-only';
import { ReasonChoice } from '../../../study/reason-choice';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import type { PredictorsViewProps } from '../stage-props';
import type { ShareLine } from './share-lines';

const CombineDialog = lazy(async () => ({ default: (await import('./combine-dialog')).CombineDialog }));

const REASONS = ['says the same as another', 'measured less well', 'follows from others'] as const;

interface PredictorMenuProps extends PredictorsViewProps {
  readonly line: ShareLine;
}

/** What can be done with one predictor beyond its switch; of a hundred rows only those opened once have more than a button. */
export function PredictorMenu(props: PredictorMenuProps) {
  const readOnly = useReadOnly();
  const [asked, setAsked] = useState(false);
  if (readOnly) return null;
  if (asked) return <OpenedMenu {...props} />;
  return (
    <button
      type="button"
      className="icon-button"
      aria-haspopup="dialog"
      aria-label={`More about ${displayName(props.line.predictor.of)}`}
      onClick={() => setAsked(true)}
    >
      <EllipsisVertical size={14} />
    </button>
  );
}

/** Leave it out for good, combine it, centre it. */
function OpenedMenu(props: PredictorMenuProps) {
  const { study, chosen, settings, patch, line } = props;
  const { predictor } = line;
  const { change } = useStudyChanges(study);
  const [open, setOpen] = useState(true);
  const [combining, setCombining] = useState(false);
  const name = displayName(predictor.of);
  const leaveOut = (because: string) => {
    setOpen(false);
    // The figures in the trail are those on screen: what the switches have taken out stays out of them.
    const among = chosen.predictors
      .filter(({ variable }) => variable === predictor.variable || !settings.off.includes(variable))
      .map(({ variable, as, reference }) => ({ variable, as, reference }));
    change.mutate(
      { change: { type: 'leave-out-predictor', variable: predictor.variable, among }, reason: because },
      { onSuccess: () => patch({ off: settings.off.filter((id) => id !== predictor.variable), before: null }) },
    );
  };
  return (
    <>
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger className="icon-button" aria-label={`More about ${name}`}>
          <EllipsisVertical size={14} />
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content className="popover z-50 w-80" align="end" sideOffset={4} collisionPadding={12} aria-label={`More about ${name}`}>
            <p className="font-medium">Leave {name} out for good</p>
            <p className="mb-2 text-[13px] text-muted">
              A decision with its reason in the trail, which can be taken back; the switch only looks. Why?
            </p>
            <ReasonChoice usual={REASONS} action="Leave out" disabled={change.isPending} onChoose={leaveOut} />
            {predictor.as === 'quantity' && (
              <button
                type="button"
                className="button-quiet mt-3 border-t border-rule pt-2"
                onClick={() => {
                  setOpen(false);
                  setCombining(true);
                }}
              >
                Combine it with another, or centre it …
              </button>
            )}
            {predictor.of.kind === 'ordinal' && predictor.as === 'quantity' && (
              <button
                type="button"
                className="button-quiet mt-2 block"
                onClick={() => {
                  setOpen(false);
                  patch({ enter: { ...settings.enter, [predictor.variable]: { as: 'levels', reference: null } }, before: null });
                }}
              >
                Take it by its levels
              </button>
            )}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {combining && (
        <Suspense fallback={null}>
          <CombineDialog {...props} onClose={() => setCombining(false)} />
        </Suspense>
      )}
    </>
  );
}

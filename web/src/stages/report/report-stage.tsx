import {
  type ReportBlock,
  type ReportSettings,
  reportSettingsSchema,
  type ShapeSettings,
  type Study,
  shapeSettingsSchema,
  type Variable,
} from '@ivlen/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { analysisQuery, checksumQuery, trailQuery } from '../../api/queries';
import { FailureNotice } from '../../controls/failure-notice';
import { Skeleton } from '../../controls/skeleton';
import { MethodsLine } from '../../methods-line/methods-line';
import { withEditors } from '../../methods-line/methods-parts';
import { useDecimals } from '../../numbers/use-decimals';
import { useSettings } from '../../settings/use-settings';
import { useWorkingSet } from '../../settings/use-working-set';
import { useReadOnly } from '../../study/read-only';
import { askingOf } from '../../telling/asking';
import { AddMenu } from './add-menu';
import { copyBlocks } from './copy-blocks';
import { firstDraft, MOST_IN_MATRIX, whyNoDraft } from './draft';
import { TakeOutMenu } from './export/take-out-menu';
import { reportEditors } from './report-editors';
import { ReportPage } from './report-page';
import { sentence } from './sentence';
import { type ReportActions, useReport } from './use-report';
import { useTold } from './use-told';
import { writtenReport } from './written-report';

const DEFAULTS = reportSettingsSchema.parse({});
const SHAPE_DEFAULTS = shapeSettingsSchema.parse({});

/** The Report stage: what was pinned and written, as a page that can be edited, printed and taken out. */
export function ReportStage({ study }: { study: Study }) {
  const stored = useSettings(study.id, 'report', DEFAULTS);
  const shape = useSettings(study.id, 'shape', SHAPE_DEFAULTS);
  const actions = useReport(study);
  const workingSet = useWorkingSet(study);
  if (actions.error && !actions.blocks) return <FailureNotice error={actions.error} />;
  if (!stored.settings || !shape.settings || !actions.blocks || !workingSet)
    return <Skeleton label="Opening the report" className="m-5 h-64 flex-1" />;
  return (
    <Stage
      study={study}
      settings={stored.settings}
      shapeRule={shape.settings.rule}
      blocks={actions.blocks}
      ticked={workingSet.variables}
      actions={actions}
      patch={(part) => stored.change({ ...(stored.settings ?? DEFAULTS), ...part })}
    />
  );
}

interface StageProps {
  readonly study: Study;
  readonly settings: ReportSettings;
  readonly shapeRule: ShapeSettings['rule'];
  readonly blocks: readonly ReportBlock[];
  readonly ticked: readonly Variable[];
  readonly actions: ReportActions;
  readonly patch: (part: Partial<ReportSettings>) => void;
}

function Stage({ study, settings, shapeRule, blocks, ticked, actions, patch }: StageProps) {
  useDecimals(study.id);
  useEffect(() => {
    // Drawing needs it only after all has been computed; it comes meanwhile.
    void import('react-dom/server');
  }, []);
  const client = useQueryClient();
  const readOnly = useReadOnly();
  const [drafting, setDrafting] = useState(false);
  const states = useTold(study, blocks, settings);
  const { data: trail } = useQuery(trailQuery(study.id, study.head));
  const { data: missing } = useQuery(analysisQuery(study.id, study.head, { kind: 'missing' }));
  const { data: checksum } = useQuery({ ...checksumQuery(study.id, study.head), enabled: blocks.length > 0 });
  const about = useMemo(
    () => (trail && missing && checksum ? { decisions: trail.decisions, missing, shapeRule, ...checksum } : undefined),
    [trail, missing, checksum, shapeRule],
  );
  // Pins are told one after the other; the page is written anew for several of them at once.
  const told = useDeferredValue(states);
  const report = useMemo(() => writtenReport(study, settings, blocks, told, about), [study, settings, blocks, told, about]);
  const why = whyNoDraft(study, ticked);
  const write = async () => {
    setDrafting(true);
    try {
      const drafted = await firstDraft(askingOf(client, study, settings), ticked, blocks);
      if (drafted.length === 0) toast('The report has all of a first draft already.');
      else await actions.add.mutateAsync({ blocks: drafted, after: null });
      if (ticked.length > MOST_IN_MATRIX) toast(`${ticked.length} variables are ticked; the draft tells of the first ${MOST_IN_MATRIX}.`);
    } catch (error) {
      toast.error(`No draft was written. ${error instanceof Error ? error.message : ''}`);
    } finally {
      setDrafting(false);
    }
  };
  const draftButton = !readOnly && (
    <button
      type="button"
      data-first-step="draft"
      className={blocks.length === 0 ? 'button-primary' : 'button'}
      disabled={drafting || why !== null}
      onClick={() => void write()}
    >
      {drafting ? 'Writing …' : 'Write a first draft'}
    </button>
  );
  return (
    <section className="flex min-w-0 flex-1 flex-col" aria-label="Report">
      <div className="print:hidden">
        <MethodsLine taken={false} parts={withEditors(sentence(study, settings), reportEditors(settings, patch))} />
      </div>
      {blocks.length > 0 && (
        <div className="flex flex-wrap items-center gap-3 border-b border-rule px-5 py-2 text-[13px] print:hidden">
          {draftButton}
          {!readOnly && (
            <AddMenu blocks={blocks} onAdd={(of) => actions.add.mutate({ blocks: [{ content: { kind: 'paragraph', of } }] })} />
          )}
          <span className="ml-auto flex gap-3">
            <button type="button" className="button" disabled={!report.complete} onClick={() => void copyBlocks(report.blocks, report)}>
              Copy all
            </button>
            <TakeOutMenu study={study} report={report} settings={settings} />
          </span>
        </div>
      )}
      <div data-scrolls className="min-h-0 flex-1 overflow-auto px-5 pb-16">
        {blocks.length === 0 ? (
          <Empty why={why}>{draftButton}</Empty>
        ) : (
          <ReportPage study={study} settings={settings} report={report} actions={actions} patch={patch} />
        )}
      </div>
    </section>
  );
}

function Empty({ why, children }: { why: string | null; children: React.ReactNode }) {
  return (
    <div className="mx-auto max-w-xl py-20 text-center font-serif text-lg">
      <p className="mb-3">Nothing is in the report yet.</p>
      <p className="mb-6 text-muted">
        “Write a first draft” makes the whole of it from what the study has: data, methods, results, tables, figures, checks and limits, to
        be edited here. Or pin what you want in it: “Pin” stands beside each methods line, in the card of a pair and at tables.
      </p>
      {children}
      {why && <p className="mt-4 text-[15px] text-muted">{why}</p>}
    </div>
  );
}

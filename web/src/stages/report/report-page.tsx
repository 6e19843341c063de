import { closestCenter, DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { arrayMove, SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { ReportSettings, Study } from '@ivlen/contract';
import { BlockHeading } from './blocks/block-heading';
import { BlockView } from './blocks/block-view';
import type { ReportActions } from './use-report';
import type { WrittenReport } from './written-report';

interface ReportPageProps {
  readonly study: Study;
  readonly settings: ReportSettings;
  readonly report: WrittenReport;
  readonly actions: ReportActions;
  readonly patch: (part: Partial<ReportSettings>) => void;
}

/** The report as it will print, its blocks in an order of their own. */
export function ReportPage({ study, settings, report, actions, patch }: ReportPageProps) {
  const ids = report.blocks.map(({ block }) => block.id);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) actions.order.mutate(arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  return (
    <article
      className={`report-page mx-auto mt-5 rounded-sm border border-rule bg-surface px-14 py-10 font-serif text-[16px] leading-normal ${settings.paper === 'landscape' ? 'max-w-[1060px]' : 'max-w-[760px]'}`}
      data-paper={settings.paper}
    >
      <style>{`@page { size: A4 ${settings.paper}; margin: 22mm 20mm; }`}</style>
      <div className="report-title">
        <BlockHeading heading={report.title} isOwn={settings.title !== null} onChange={(title) => patch({ title })} />
      </div>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          {report.blocks.map((written) => (
            <BlockView key={written.block.id} study={study} written={written} report={report} actions={actions} />
          ))}
        </SortableContext>
      </DndContext>
    </article>
  );
}

import type { Study } from '@ivlen/contract';
import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { RenameDialog } from '../study/rename-dialog';
import { useStudyActions } from '../study/use-study-actions';

const ExportDialog = lazy(async () => ({ default: (await import('../exports/export-dialog')).ExportDialog }));
const DecimalsDialog = lazy(async () => ({ default: (await import('../numbers/decimals-dialog')).DecimalsDialog }));

/** The study's name with what can be done with the study as a whole. */
export function StudyMenu({ study }: { study: Study }) {
  const navigate = useNavigate();
  const { duplicate, remove } = useStudyActions();
  const [renaming, setRenaming] = useState(false);
  const [choosingDecimals, setChoosingDecimals] = useState(false);
  const [exporting, setExporting] = useState(false);
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="flex max-w-56 items-center gap-1 hover:text-accent" aria-label={`Study ${study.name}`}>
          <span className="truncate">{study.name}</span>
          <ChevronDown size={14} className="shrink-0" aria-hidden="true" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className="menu" align="start" sideOffset={4}>
            <DropdownMenu.Item className="menu-item" onSelect={() => setRenaming(true)}>
              Rename …
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={() => setChoosingDecimals(true)}>
              Decimals …
            </DropdownMenu.Item>
            <DropdownMenu.Item
              className="menu-item"
              onSelect={() => duplicate.mutate(study.id, { onSuccess: ({ id }) => void navigate(`/studies/${id}/correlations`) })}
            >
              Duplicate
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={() => setExporting(true)}>
              Export …
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={() => remove.mutate(study, { onSuccess: () => void navigate('/') })}>
              Delete
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 border-t border-rule" />
            <DropdownMenu.Item className="menu-item" onSelect={() => void navigate('/')}>
              All studies
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {exporting && (
        <Suspense fallback={null}>
          <ExportDialog study={study} onClose={() => setExporting(false)} />
        </Suspense>
      )}
      {choosingDecimals && (
        <Suspense fallback={null}>
          <DecimalsDialog study={study.id} onClose={() => setChoosingDecimals(false)} />
        </Suspense>
      )}
      {renaming && <RenameDialog study={study} onClose={() => setRenaming(false)} />}
    </>
  );
}

import type { StudyListItem } from '@ivlen/contract';
import { EllipsisVertical } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { countOfVariables } from '../in-use/in-use-words';
import { RenameDialog } from '../study/rename-dialog';
import { useStudyActions } from '../study/use-study-actions';
import { MatrixThumbnail } from './matrix-thumbnail';

const DATE = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

export function StudyCard({ study }: { study: StudyListItem }) {
  const { duplicate, remove } = useStudyActions();
  const [renaming, setRenaming] = useState(false);
  return (
    <li className="relative flex gap-4 rounded border border-rule bg-surface p-4 hover:border-edge">
      <MatrixThumbnail studyId={study.id} />
      <div className="min-w-0 flex-1 pr-6">
        <Link
          to={`/studies/${study.id}/correlations`}
          className="block font-semibold break-words after:absolute after:inset-0 hover:text-accent"
        >
          {study.name}
        </Link>
        <p className="numerals mt-1 text-muted">
          {`${study.rows.toLocaleString('en-GB')} ${study.rows === 1 ? 'row' : 'rows'} × ${countOfVariables(study.variables)}`}
        </p>
        <p className="numerals text-[13px] text-muted">changed {DATE.format(new Date(study.changed))}</p>
      </div>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="icon-button absolute top-2.5 right-2" aria-label={`Menu of ${study.name}`}>
          <EllipsisVertical size={16} />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className="menu" align="end">
            <DropdownMenu.Item className="menu-item" onSelect={() => setRenaming(true)}>
              Rename …
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={() => duplicate.mutate(study.id)}>
              Duplicate
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={() => remove.mutate(study)}>
              Delete
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {renaming && <RenameDialog study={study} onClose={() => setRenaming(false)} />}
    </li>
  );
}

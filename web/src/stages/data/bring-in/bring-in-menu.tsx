import type { Study } from '@ivlen/contract';
import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';

const ChoicesDialog = lazy(async () => ({ default: (await import('./choices-dialog')).ChoicesDialog }));

/** What else can come into a study that is there: more rows, corrected data, choices of another study. */
export function BringInMenu({ study }: { study: Study }) {
  const navigate = useNavigate();
  const [choosing, setChoosing] = useState(false);
  const choose = (mode: 'add' | 'replace') => void navigate(`/studies/new?into=${study.id}&mode=${mode}`);
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="button-quiet text-[13px]">
          Bring in <ChevronDown size={13} aria-hidden="true" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className="menu" align="end" sideOffset={4}>
            <DropdownMenu.Item className="menu-item" onSelect={() => choose('add')}>
              More rows, from another file …
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={() => choose('replace')}>
              The data corrected, from another file …
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={() => setChoosing(true)}>
              The choices of another study …
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {choosing && (
        <Suspense fallback={null}>
          <ChoicesDialog study={study} onClose={() => setChoosing(false)} />
        </Suspense>
      )}
    </>
  );
}

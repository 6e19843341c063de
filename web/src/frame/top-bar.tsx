import type { Study } from '@ivlen/contract';
import { CircleHelp, Moon, Sun } from 'lucide-react';
import { Link, NavLink, useParams } from 'react-router';
import { useTheme } from '../controls/theme';
import { Hint } from '../controls/tooltip';
import { useHelpAddress } from '../help-texts/from';
import { useStudyPath } from '../study/read-only';
import { HistoryButtons } from '../trail/history-buttons';
import { KeyboardHelp } from './keyboard-help';
import { Mark } from './mark';
import { SearchButton } from './search/search-button';
import { useStageLinks } from './stage-links';
import { StudyMenu } from './study-menu';
import { useAttention } from './use-attention';

/** The bar on top of every page; with a study it names it and leads to its stages. */
export function TopBar({ study }: { study: Study | null }) {
  return (
    <header className="flex h-12 shrink-0 items-stretch gap-6 border-b border-rule bg-surface px-4 max-[1160px]:gap-4">
      <Link to="/" className="flex items-center gap-2 text-[16px] font-bold" aria-label="Ivlen, all studies">
        <Mark /> Ivlen
      </Link>
      {study && <StudyMenu study={study} />}
      {study && <StagesNav study={study} />}
      <div className="ml-auto flex shrink-0 items-center gap-1">
        {study && <HistoryButtons study={study} />}
        {study && <SearchButton study={study} />}
        <ThemeButton />
        <KeyboardHelp />
        <HelpLink />
      </div>
    </header>
  );
}

/** Leads to the page of help about the stage that is open, and from there back. */
function HelpLink() {
  const { stage = '' } = useParams();
  const address = useHelpAddress();
  return (
    <Hint text="Help">
      <Link to={address(stage)} className="icon-button" aria-label="Help">
        <CircleHelp size={17} />
      </Link>
    </Hint>
  );
}

/** Links to the stages; one that wants attention says how much, and leads to the list of it. */
function StagesNav({ study }: { study: Study }) {
  const path = useStudyPath();
  const stages = useStageLinks();
  const attention = useAttention(study);
  return (
    <nav aria-label="Stages" className="flex min-w-0 gap-5 overflow-x-auto max-[1160px]:gap-3.5">
      {stages.map((stage) => {
        const wanted = attention[stage.id];
        return (
          <span key={stage.id} className="flex items-center gap-1">
            <NavLink
              to={`${path}/${stage.id}`}
              className={({ isActive }) =>
                `flex h-full items-center border-b-2 pt-0.5 ${isActive ? 'border-accent font-semibold text-ink' : 'border-transparent text-muted hover:text-ink'}`
              }
            >
              {stage.name}
            </NavLink>
            {wanted && (
              <Hint text={`${stage.name} · ${wanted.words}`}>
                <Link
                  to={`${path}/${wanted.to}`}
                  aria-label={`${stage.name}: ${wanted.words}`}
                  className="numerals min-w-6 rounded bg-caution-soft px-1 py-0.5 text-center text-[12px] text-caution hover:underline"
                >
                  {wanted.count}
                </Link>
              </Hint>
            )}
          </span>
        );
      })}
    </nav>
  );
}

function ThemeButton() {
  const { theme, choose } = useTheme();
  const next = theme === 'day' ? 'night' : 'day';
  const label = next === 'night' ? 'Night colours' : 'Day colours';
  return (
    <Hint text={label}>
      <button type="button" className="icon-button" aria-label={label} onClick={() => choose(next)}>
        {next === 'night' ? <Moon size={17} /> : <Sun size={17} />}
      </button>
    </Hint>
  );
}

import { type RefObject, useEffect } from 'react';
import { useNavigate } from 'react-router';
import { isTyping, singleKeysAreOn } from '../controls/keyboard';
import { useStudyPath } from '../study/read-only';
import { useStageLinks } from './stage-links';

/** 1–7 open the stages and / goes to the search, while focus is in the main area or nowhere (WCAG 2.1.4). */
export function useStageKeys(main: RefObject<HTMLElement | null>): void {
  const navigate = useNavigate();
  const path = useStudyPath();
  const stages = useStageLinks();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const inMain = event.target instanceof Node && main.current?.contains(event.target);
      const nowhere = event.target === document.body;
      if (!(inMain || nowhere) || isTyping(event) || !singleKeysAreOn()) return;
      const stage = stages[Number(event.key) - 1];
      if (stage) {
        void navigate(`${path}/${stage.id}`);
        main.current?.focus();
      } else if (event.key === '/') {
        event.preventDefault();
        document.querySelector<HTMLInputElement>('[data-search="variables"]')?.focus();
      }
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [path, main, navigate, stages]);
}

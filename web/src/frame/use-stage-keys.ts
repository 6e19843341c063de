import { type RefObject, useEffect } from 'react';
import { useNavigate } from 'react-router';
import { STAGES } from '../stages/stages';
import { isTyping, singleKeysAreOn } from './keyboard';
import { useStudyPath } from './read-only';

/** 1–7 open the stages and / goes to the search, while focus is in the main area or nowhere (WCAG 2.1.4). */
export function useStageKeys(main: RefObject<HTMLElement | null>): void {
  const navigate = useNavigate();
  const path = useStudyPath();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const inMain = event.target instanceof Node && main.current?.contains(event.target);
      const nowhere = event.target === document.body;
      if (!(inMain || nowhere) || isTyping(event) || !singleKeysAreOn()) return;
      const stage = STAGES[Number(event.key) - 1];
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
  }, [path, main, navigate]);
}

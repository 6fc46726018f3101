import { useEffect, useRef } from 'react';
import { useAssessment, useSession } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobDialog } from './JobDialogs.tsx';
import { showUndone } from './show-undone.ts';
import { stageList } from './stages.ts';
import type { JobView } from './use-job-view.ts';

const GO_WINDOW = 1500; // ms in which the letter after `g` counts

const NEEDS_RESULTS = ['m', 'n', 'N'];

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement;

/** Not at something on the bench: on the run, or nowhere. */
const isAtLarge = (target: Element): boolean =>
  target === document.body || target.tagName === 'MAIN' || target.closest('[data-part]') !== null;

/** The keyboard of a job. Letters count only while nothing is being typed. */
export function useJobShortcuts(
  view: JobView,
  open: { openWorking(key: string): void; openDialog(dialog: JobDialog): void; flipStrip(): void; goToThreads(): void },
): void {
  const session = useSession();
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const goPressed = useRef(0);
  /** Keys whose answers are still being computed: they act once the first results are there. */
  const waiting = useRef<string[]>([]);

  useEffect(() => {
    function press(event: KeyboardEvent): void {
      if (document.querySelector('[role="dialog"]')) return;
      const typing = isTyping(event.target);
      if ((event.ctrlKey || event.metaKey) && !event.altKey) {
        const key = event.key.toLowerCase();
        const undo = key === 'z' && !event.shiftKey;
        const redo = key === 'y' || (key === 'z' && event.shiftKey);
        if (!undo && !redo) return;
        event.preventDefault();
        if (typing) (event.target as HTMLElement).blur(); // hands over what was typed, so that undo takes that back first
        showUndone(view, undo ? session.undo() : session.redo());
        return;
      }
      if (typing && event.key === 'Escape' && !event.defaultPrevented) {
        (event.target as HTMLElement).blur(); // restored already, or nothing to restore: now the letters count
        return;
      }
      if (typing || event.altKey) return;
      if (event.key === 'Escape' && view.part !== undefined && isAtLarge(event.target as Element)) {
        view.choosePart(undefined);
        return;
      }
      if (Date.now() - goPressed.current < GO_WINDOW) {
        goPressed.current = 0;
        const stage = stageList.find((s) => s.letter === event.key);
        if (stage) view.goTo(stage.key);
        else if (event.key === 't') open.goToThreads();
        return;
      }
      const act = actions[event.key];
      if (!act) return;
      event.preventDefault();
      if (!assessment && NEEDS_RESULTS.includes(event.key)) waiting.current.push(event.key);
      else act();
    }
    const stepSnag = (step: number) => {
      // in the order in which they stand: those at hand first
      const snags = [...document.querySelectorAll<HTMLElement>('[data-snag] > button:first-child')];
      const at = snags.findIndex((button) => button === document.activeElement);
      const from = at >= 0 ? at : step > 0 ? -1 : 0;
      snags.at((from + step) % snags.length)?.focus();
    };
    const actions: Record<string, (() => void) | undefined> = {
      g: () => (goPressed.current = Date.now()),
      n: () => stepSnag(1),
      N: () => stepSnag(-1),
      m: () => {
        const need = assessment?.findings.needs[0];
        if (need) view.goToField(need.stage, need.path, need.part);
      },
      w: () => open.openWorking(`railPressure:${view.point}`),
      u: () => units.flip(),
      o: () => open.flipStrip(),
      '/': () => open.openDialog('finder'),
      '?': () => open.openDialog('shortcuts'),
    };
    if (assessment) for (const key of waiting.current.splice(0)) actions[key]!();
    document.addEventListener('keydown', press);
    return () => document.removeEventListener('keydown', press);
  });
}

import { useCallback, useMemo, useRef } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Stage } from '@endrel/core/job/stage';
import { pointKeysOf } from '@endrel/core/run/operating-point';
import { useJob } from '../../session/session-context.tsx';
import { focusField } from '../../components/anchor.ts';
import { stageList } from './stages.ts';
import { tabOfField } from '@endrel/core/job/roots';
import { firstTab } from '@endrel/core/job/stage';

/** Where in a job the person is: stage, chosen part, operating point. Kept in the address, so that back and reload work. */
export interface JobView {
  readonly jobId: string;
  readonly stage: Stage;
  readonly part: string | undefined;
  readonly point: string;
  goTo(stage: Stage): void;
  /** Shows a part on the bench: that is the run stage. */
  selectPart(id: string): void;
  /** Chooses a part without leaving the stage, or none. */
  choosePart(id: string | undefined): void;
  setPoint(point: string): void;
  /** Called as a stage is drawn: the field that was asked for gets the cursor. */
  arrived(): void;
  /** Goes to where a field is and puts the cursor into it. */
  goToField(stage: Stage, path: FieldPath, part?: string): void;
}

export function useJobView(): JobView {
  const { id = '', stage: stageText } = useParams();
  const stage = stageList.find((s) => s.key === stageText)?.key ?? 'brief';
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const part = search.get('part') ?? undefined;
  const at = search.get('at');
  const tab = search.get('tab') ?? undefined;
  const point = pointKeysOf(useJob()).find((key) => key === at) ?? 'fullLoad';
  const wanted = useRef<FieldPath>(undefined);

  // a field that was asked for may be on a stage that has only now been drawn
  const arrived = useCallback(() => {
    if (wanted.current && focusField(wanted.current)) wanted.current = undefined;
  }, []);

  const go = useCallback(
    (to: Stage, change: { part?: string; at?: string; tab?: string }) => {
      const next = new URLSearchParams();
      const nextPart = 'part' in change ? change.part : part;
      const nextPoint = change.at ?? point;
      if (nextPart) next.set('part', nextPart);
      if (nextPoint !== 'fullLoad') next.set('at', nextPoint);
      const nextTab = change.tab ?? (to === stage ? tab : undefined);
      if (nextTab && nextTab !== firstTab(to)) next.set('tab', nextTab);
      const text = next.toString();
      // drawn at once: what is typed next must reach the part just chosen, not the one before it
      void navigate(`/jobs/${id}/${to}${text && `?${text}`}`, { replace: to === stage, flushSync: true });
    },
    [navigate, id, part, point, stage, tab],
  );
  return useMemo(
    () => ({
      jobId: id,
      stage,
      part,
      point,
      goTo: (to) => go(to, {}),
      selectPart: (chosen) => go('run', { part: chosen, tab: firstTab('run') }),
      choosePart: (chosen) => go(stage, { part: chosen }),
      setPoint: (chosen) => go(stage, { at: chosen }),
      arrived,
      goToField: (to, path, ofPart) => {
        // a wire or a device shows its fields while it is chosen
        const wantedPart = path[0] === 'wiring' && path[2] !== undefined ? String(path[2]) : ofPart;
        if (to === stage && (!wantedPart || wantedPart === part) && focusField(path)) return;
        wanted.current = path;
        // a usual point's own conditions are shown for the point that is chosen
        const at = path[0] === 'points' && path[1] !== 'own' ? String(path[1]) : undefined;
        go(to, { ...(wantedPart === undefined ? {} : { part: wantedPart }), at, tab: tabOfField(to, path) });
        arrived(); // drawn already, unless its stage is still to be fetched
      },
    }),
    [id, stage, part, point, go, arrived],
  );
}

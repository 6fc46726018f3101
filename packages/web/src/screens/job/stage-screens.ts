import { memo, type ComponentType } from 'react';
import type { Stage } from '@endrel/core/job/stage';
import { loadable, type Loadable } from '../../components/loadable.tsx';
import type { JobView } from './use-job-view.ts';

export interface StageProps {
  readonly view: JobView;
  onWorking(key: string): void;
}
type Screen = Loadable<StageProps>;

// an edit is drawn by those who follow the job, not by the whole page
const screen = (load: () => Promise<ComponentType<StageProps>>): Screen => loadable(async () => memo(await load()));

/** The screen of each stage; each is fetched when it is first opened, or in a quiet moment before. */
export const stageScreens: Readonly<Record<Stage, Screen>> = {
  brief: screen(() => import('../brief/BriefStage.tsx').then((m) => m.BriefStage)),
  survey: screen(() => import('../survey/SurveyStage.tsx').then((m) => m.SurveyStage)),
  layout: screen(() => import('../layout/LayoutStage.tsx').then((m) => m.LayoutStage)),
  hanger: screen(() => import('../hanger/HangerStage.tsx').then((m) => m.HangerStage)),
  run: screen(() => import('../run/RunStage.tsx').then((m) => m.RunStage)),
  joints: screen(() => import('../joints/JointsStage.tsx').then((m) => m.JointsStage)),
  gauge: screen(() => import('../gauge/GaugeStage.tsx').then((m) => m.GaugeStage)),
  routes: screen(() => import('../routes/RoutesStage.tsx').then((m) => m.RoutesStage)),
  wiring: screen(() => import('../wiring/WiringStage.tsx').then((m) => m.WiringStage)),
  cards: screen(() => import('../cards/CardsStage.tsx').then((m) => m.CardsStage)),
};

/** Fetches the other stages while nothing else is to be done, so that going to one shows it at once. */
export async function preloadStages(): Promise<void> {
  for (const next of Object.values(stageScreens)) await next.preload();
}

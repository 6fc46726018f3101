import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Stage } from '@endrel/core/job/stage';
import { stageOfField } from '@endrel/core/job/roots';
import type { JobView } from './use-job-view.ts';

/** Stages on which a change of parts and joints is seen where one stands. */
const SHOW_PARTS = new Set<Stage>(['layout', 'hanger', 'run', 'joints', 'routes', 'wiring']);

const isSeen = (stage: Stage, path: FieldPath): boolean =>
  path[0] === 'parts' || path[0] === 'joints' ? SHOW_PARTS.has(stage) : stageOfField(path) === stage;

/** What undo or redo put back is shown: where none of it is seen on this stage, the page goes to where it is. */
export function showUndone(view: JobView, paths: readonly FieldPath[]): void {
  const [first] = paths;
  if (!first || paths.some((path) => isSeen(view.stage, path))) return;
  const [root, id] = first;
  if (root === 'parts') view.selectPart(String(id));
  else if (root === 'layout') view.goTo('layout');
  else if (root !== 'overrules' && root !== 'name' && root !== 'vehicle' && root !== 'state')
    view.goToField(stageOfField(first), first);
}

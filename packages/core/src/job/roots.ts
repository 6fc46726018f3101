import type { FieldPath } from '../fields/field-path.ts';
import type { Group, Root, RowList } from './define-root.ts';
import { bench, layout, name, state, vehicle } from './roots/plain.ts';
import { routes } from './roots/routes.ts';
import { joints, overrules, parts } from './roots/run.ts';
import { assumptions, brief, bulkhead, gauge, hanger, materials, points, survey } from './roots/sections.ts';
import { wiring } from './roots/wiring.ts';
import { firstTab, type Stage } from './stage.ts';

/**
 * Every section and collection of a job. A new one is registered here: its schema, gate, stage, tabs, words and random edits
 * follow from what it says of itself.
 */
export const roots = {
  name,
  vehicle,
  state,
  brief,
  survey,
  layout,
  parts,
  joints,
  hanger,
  points,
  gauge,
  bench,
  bulkhead,
  routes,
  wiring,
  materials,
  assumptions,
  overrules,
};
export type RootKey = keyof typeof roots;

export const rootAt = (key: string | number | undefined): Root | undefined =>
  typeof key === 'string' && Object.hasOwn(roots, key) ? roots[key as RootKey] : undefined;

/** Whether fields of a root are set by their path; parts, joints and overrules have acts of their own. */
export function isSetByPath(key: string): boolean {
  const root = rootAt(key);
  return root !== undefined && !root.hasOwnActs;
}

/** The list that a path leads to or into, with how many keys of the path lead to it. */
export function listAt(path: FieldPath): { readonly list: RowList; readonly depth: number } | undefined {
  const lists = rootAt(path[0])?.lists ?? {};
  for (const depth of [1, 2, 3]) {
    const key = path.slice(1, depth).join('/');
    if (path.length >= depth && Object.hasOwn(lists, key)) return { list: lists[key]!, depth };
  }
  return undefined;
}

const groupAt = (path: FieldPath): Group | undefined => {
  const groups = rootAt(path[0])?.groups ?? {};
  const key = path.slice(1, -1).join('/');
  return Object.hasOwn(groups, key) ? groups[key] : undefined;
};
const ownOf = <T>(held: Readonly<Record<string, T>> | undefined, key: string): T | undefined =>
  held && Object.hasOwn(held, key) ? held[key] : undefined;

/** What a section says of one of its fields. */
export function fieldAt(path: FieldPath): { readonly name: string; readonly tab?: string } | undefined {
  const group = groupAt(path);
  const key = String(path.at(-1));
  return ownOf(group?.fields, key) ?? ownOf(group?.special, key);
}

/** The stage that a field is filled in on, by where it stands in the job. */
export const stageOfField = ([root]: FieldPath): Stage => rootAt(root)?.stage ?? 'brief';

/** The tab of a stage that holds a field; the first where the stage does not show it. */
export function tabOfField(stage: Stage, path: FieldPath): string | undefined {
  const root = rootAt(path[0]);
  if (root?.stage !== stage) return root?.elsewhere?.[stage]?.(path) ?? firstTab(stage);
  const list = listAt(path)?.list;
  if (list?.tab !== undefined) return list.tab;
  const section = ownOf(root.groups, path.slice(1).join('/'))?.tab;
  if (section !== undefined) return section;
  // what lies in a field that has its own editor stands where that stands
  for (let length = path.length; length > 1; length--) {
    const at = path.slice(0, length);
    const field = fieldAt(at);
    if (field) return field.tab ?? groupAt(at)?.tab ?? root.tab;
  }
  return root.tab;
}

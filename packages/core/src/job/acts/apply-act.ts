import { assertNever } from '../../result.ts';
import type { Component } from '../component.ts';
import { componentName } from '../component.ts';
import type { Job, Line } from '../job.ts';
import { layouts } from '../layout.ts';
import { allComponents, type FieldPath } from '../needs.ts';
import type { Act } from './act.ts';
import { layOut } from './lay-out.ts';
import { moveRegulator, regulatorPlaces } from './move-regulator.ts';

/**
 * A job after an edit. Pure: the old job is untouched, and parts that did not change are shared with it.
 *
 * An act on a component that is no longer there leaves the job as it is.
 */
export function applyAct(job: Job, act: Act): Job {
  switch (act.act) {
    case 'set':
      return setAt(job, act.path, act.value) as Job;
    case 'setOnComponent':
      return mapComponent(job, act.id, (c) => setAt(c, [act.key], act.value) as Component);
    case 'setOnComponents':
      return act.changes.reduce(
        (changed, { id, key, value }) => applyAct(changed, { act: 'setOnComponent', id, key, value }),
        job,
      );
    case 'insertComponent':
      return withLine(job, act.line, (line) => line.toSpliced(Math.min(act.index, line.length), 0, act.component));
    case 'removeComponent':
      return mapLines(job, (line) => line.filter((c) => c.id !== act.id));
    case 'moveComponent': {
      // a part that was set aside may be taken up again so
      const moved = [...allComponents(job), ...(job.run.spare ?? [])].find((c) => c.id === act.id);
      if (!moved) return job;
      const without = withoutSpare(
        mapLines(job, (line) => line.filter((c) => c.id !== act.id)),
        act.id,
      );
      return withLine(without, act.line, (line) => line.toSpliced(Math.min(act.index, line.length), 0, moved));
    }
    case 'chooseLayout':
      return layOut(job, act.key);
    case 'moveRegulator':
      return moveRegulator(job, act.id, act.to);
    case 'capPorts':
      return mapComponent(job, act.id, (c) => (c.kind === 'rail' ? { ...c, closedPorts: c.unusedPorts ?? 0 } : c));
    case 'overruleSnag':
      return {
        ...job,
        overrules: [
          ...job.overrules.filter((o) => o.snag !== act.snag),
          { snag: act.snag, reason: act.reason, at: act.at },
        ],
      };
    case 'withdrawOverrule':
      return { ...job, overrules: job.overrules.filter((o) => o.snag !== act.snag) };
    default:
      return assertNever(act);
  }
}

/** The edit in a few words, for undo and the change table. */
export function describeAct(job: Job, act: Act): string {
  const name = (id: string) => {
    const found = [...allComponents(job), ...(job.run.spare ?? [])].find((c) => c.id === id);
    return found ? componentName(found) : id;
  };
  switch (act.act) {
    case 'set':
      return `${act.value === undefined ? 'clear' : 'set'} ${act.path.filter((p) => typeof p === 'string').join(' ')}`;
    case 'setOnComponent':
      return `${act.value === undefined ? 'clear' : 'set'} ${act.key} of ${name(act.id)}`;
    case 'setOnComponents':
      return act.title;
    case 'insertComponent':
      return `put in ${componentName(act.component)}`;
    case 'removeComponent':
      return `take out ${name(act.id)}`;
    case 'moveComponent':
      return `move ${name(act.id)}`;
    case 'chooseLayout':
      return `choose layout: ${layouts[act.key].name}`;
    case 'moveRegulator':
      return `move ${name(act.id)} ${regulatorPlaces[act.to]}`;
    case 'capPorts':
      return `cap the open ports of ${name(act.id)}`;
    case 'overruleSnag':
      return `overrule ${act.snag}`;
    case 'withdrawOverrule':
      return `withdraw the overrule of ${act.snag}`;
    default:
      return assertNever(act);
  }
}

const withLine = (job: Job, line: Line, change: (line: Component[]) => Component[]): Job => ({
  ...job,
  run: { ...job.run, [line]: change(job.run[line]) },
});
function withoutSpare(job: Job, id: string): Job {
  const { spare = [], ...run } = job.run;
  const left = spare.filter((c) => c.id !== id);
  return { ...job, run: left.length > 0 ? { ...run, spare: left } : run };
}
const mapLines = (job: Job, change: (line: Component[]) => Component[]): Job => ({
  ...job,
  run: { ...job.run, supply: change(job.run.supply), return: change(job.run.return) },
});
const mapComponent = (job: Job, id: string, change: (component: Component) => Component): Job =>
  mapLines(job, (line) => (line.some((c) => c.id === id) ? line.map((c) => (c.id === id ? change(c) : c)) : line));

/** The value at a path, or undefined. */
export const valueAt = (root: unknown, path: FieldPath): unknown =>
  path.reduce<unknown>(
    (at, key) => (at === undefined || at === null ? undefined : (at as Record<string | number, unknown>)[key]),
    root,
  );

const forbidden = new Set<string | number>(['__proto__', 'constructor', 'prototype']);

/** A copy with one value replaced, or removed when `value` is undefined. @throws RangeError for a path through nothing. */
function setAt(root: unknown, path: FieldPath, value: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (forbidden.has(key)) throw new RangeError(`no field ${key}`);
  if (typeof root !== 'object' || root === null) throw new RangeError(`no field ${path.join('.')}`);
  if (Array.isArray(root)) {
    const at = Number(key);
    if (value === undefined && rest.length === 0) return root.toSpliced(at, 1) as unknown[];
    const copy = [...(root as unknown[])];
    copy[at] = setAt(copy[at], rest, value);
    return copy;
  }
  const object = root as Record<string | number, unknown>;
  if (rest.length === 0 && value === undefined) {
    const { [key]: _removed, ...others } = object;
    return others;
  }
  return { ...object, [key]: setAt(rest.length > 0 ? (object[key] ?? {}) : object[key], rest, value) };
}

import { actFields } from '../src/acts/act.ts';
import { commonProperties } from '../src/parts/define-part.ts';
import { partKinds, propertiesOf, type PartKind } from '../src/parts/kinds.ts';
import type { Job } from '../src/job/job.ts';

/** Names that an object answers to by itself, and what looks like a name. */
const ODD = [
  'constructor',
  'prototype',
  '__proto__',
  'toString',
  'valueOf',
  'hasOwnProperty',
  '__defineGetter__',
  'isPrototypeOf',
  'schemaVersion',
  'length',
  'nothing',
  '',
  ' ',
  '0',
  '-1',
  'id',
  'parts',
  'name',
  'a'.repeat(200),
  '\u202eabc',
  '%00',
  '../..',
  "'; drop table jobs",
  'in',
  'out',
];

/** Values that no form gives. */
const values: unknown[] = [
  undefined,
  null,
  0,
  -1,
  1e308,
  -1e308,
  Number.MIN_VALUE,
  true,
  '',
  'text',
  [],
  {},
  [[]],
  [null],
  [undefined],
  [{}],
  [{ id: 'a' }],
  [{ id: 'a' }, { id: 'a' }],
  { si: 1, unit: 'm' },
  { si: 1e308, unit: 'm' },
  { si: '1', unit: 'm' },
  { si: 1, unit: 'constructor' },
  { si: 1 },
  { id: 'constructor' },
  { constructor: { si: 1, unit: 'm' } },
  JSON.parse('{"__proto__": {"si": 1, "unit": "m"}}'),
  { toString: 1 },
  [{ id: 'toString' }],
  [{ id: 'x', toString: 1 }],
  { key: 'bypassAtTank' },
  'open',
];

const KINDS = Object.entries(actFields).map(([kind, fields]) => ({ kind, fields: fields.filter((f) => f !== 'act') }));

/**
 * An act of any kind whose fields hold what is in the job, what is nowhere, or what no field takes: plain data as a request brings
 * it.
 *
 * @param dice - numbers from 0 to 1.
 */
export function hostileAct(job: Job, dice: () => number): unknown {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(dice() * list.length)]!;
  const parts = Object.values(job.parts);
  const lists: readonly (readonly string[])[] = [
    ['survey', 'lines'],
    ['survey', 'tank', 'fills'],
    ['hanger', 'bodies'],
    ['points', 'own'],
    ['routes', 'zones'],
    ['wiring', 'wires'],
    ['wiring', 'devices'],
    ['bulkhead'],
  ];
  const id = (): unknown =>
    dice() < 0.6 && parts.length > 0 ? pick(parts).id : dice() < 0.9 ? pick(ODD) : pick(values);
  const joint = (): unknown => (dice() < 0.7 ? (pick(Object.keys(job.joints)) ?? 'none') : pick(ODD));
  const port = (): unknown =>
    dice() < 0.7 ? pick(['in', 'out', 'a', 'b', 'return-1', 'pickup-1', 'side-1', 'port']) : pick(ODD);
  const key = (): unknown => {
    const part = dice() < 0.7 && parts.length > 0 ? pick(parts) : undefined;
    return part ? pick(Object.keys({ ...commonProperties, ...propertiesOf(part.kind) })) : pick(ODD);
  };
  /** An address that leads to what is there, a step too far, or nowhere. */
  const path = (): unknown => {
    const steps: unknown[] = [];
    let at: unknown = job;
    while (steps.length < 8 && typeof at === 'object' && at !== null && dice() < 0.85) {
      const held: unknown = at;
      const names = Array.isArray(held)
        ? held.map((row: { id?: unknown }, i) => row.id ?? i)
        : Object.keys(held as object);
      const step: unknown = dice() < 0.88 && names.length > 0 ? pick(names) : pick(ODD);
      steps.push(step);
      at = Array.isArray(held)
        ? held.find((row: { id?: unknown }, i) => row.id === step || i === step)
        : (held as Record<string, unknown>)[step as string];
    }
    if (dice() < 0.2) steps.push(pick(ODD));
    return dice() < 0.3 ? pick(lists) : steps;
  };
  const valueAtPath = (at: unknown): unknown =>
    (at as string[]).reduce<unknown>((held, step) => (held as Record<string, unknown> | undefined)?.[step], job);
  const part = (): unknown => ({
    kind: dice() < 0.9 ? pick(Object.keys(partKinds) as PartKind[]) : pick(ODD),
    id: dice() < 0.5 ? `new-${Math.floor(dice() * 1e6)}` : id(),
  });
  const ref = (): unknown => (dice() < 0.95 ? { part: id(), port: port() } : pick(values));
  const row = (): unknown =>
    dice() < 0.7 ? { id: dice() < 0.5 ? `row-${Math.floor(dice() * 1e6)}` : pick(ODD) } : pick(values);
  const change = (): unknown => ({
    id: dice() < 0.7 ? id() : joint(),
    key: key(),
    ...(dice() < 0.8 ? { value: pick(values) } : {}),
  });
  const several = (one: () => unknown): unknown => Array.from({ length: 1 + Math.floor(dice() * 3) }, one);
  const { kind, fields } = pick(KINDS);
  const field = (name: string): unknown => {
    switch (name) {
      case 'id':
        return kind === 'removeRow' && dice() < 0.5 ? pick(ODD) : id();
      case 'joint':
        return joint();
      case 'key':
        return kind === 'chooseLayout' ? pick(['bypassAtTank', 'carburettorGravity', ...ODD]) : key();
      case 'path':
        return path();
      case 'value':
      case 'length':
        return pick(values);
      case 'port':
      case 'in':
      case 'out':
        return port();
      case 'part':
        return kind === 'setPort' || kind === 'moveEnd' ? id() : part();
      case 'by':
        return part();
      case 'a':
      case 'b':
        return ref();
      case 'to':
        return kind === 'moveRegulator' ? pick(['tank', 'afterRail', ...ODD]) : ref();
      case 'row':
        return row();
      case 'with':
        return pick(['capped', 'plugged', ...ODD]);
      case 'state':
        return pick([{ closed: 'capped' }, {}, ...values]);
      case 'changes':
        return several(kind === 'setAll' ? () => ({ path: path(), value: pick(values) }) : change);
      case 'records':
        return several(() => {
          const at = path();
          return { path: at, value: pick(values), ...(dice() < 0.9 ? { was: valueAtPath(at) } : {}) };
        });
      case 'snag':
        return pick([...ODD, 'pump-margin:pump-1']);
      case 'reason':
        return 'because of the weather';
      case 'at':
        return '2026-01-02T03:04:05Z';
      default:
        return 'a title';
    }
  };
  return { act: kind, ...Object.fromEntries(fields.map((name) => [name, dice() < 0.03 ? pick(values) : field(name)])) };
}

import { kindOfActNamed, type Act } from './act.ts';
import type { Job } from '../job/job.ts';
import { readJobDocument } from '../job/read-job-file.ts';

type Held = Record<string, unknown>;
const isHeld = (value: unknown): value is Held => typeof value === 'object' && value !== null;

/**
 * A stored document that cannot be read, without what its last acts put into it, as far back as it takes to read it: for jobs of
 * which no readable document was kept.
 *
 * @param newest - the acts with their revisions, the last first.
 * @returns the job and the revision before the last act that was taken back; undefined where one of them cannot be taken back from
 *   the document alone.
 */
export function takenBack(
  document: unknown,
  newest: readonly { readonly revision: number; readonly act: unknown }[],
): { job: Job; revision: number } | undefined {
  const copy = JSON.parse(JSON.stringify(document)) as unknown;
  for (const { revision, act } of newest) {
    if (!isHeld(copy) || !isHeld(act) || !takeBack(copy, act)) return undefined;
    const read = readJobDocument(copy);
    if (read.ok) return { job: read.value.job, revision: revision - 1 };
  }
  return undefined;
}

/** Undoes in place what an act wrote of itself. @returns false for one that does not say what stood there before. */
function takeBack(document: Held, act: Held): boolean {
  // what spoilt the document may be an act that is refused today: it is taken as it stands
  const wrote = kindOfActNamed(act.act)?.wrote?.(act as unknown as Act);
  for (const { path, was } of wrote ?? []) {
    put(document, path, was);
    if (path[0] === 'parts' && path[2] === 'ports') dropIfEmpty(document, String(path[1]));
  }
  return wrote !== undefined;
}

/** A part of which nothing is said of any port has no list of them. */
function dropIfEmpty(document: Held, part: string): void {
  const held = (document.parts as Record<string, Held | undefined> | undefined)?.[part];
  if (isHeld(held?.ports) && Object.keys(held.ports).length === 0) delete held.ports;
}

function put(root: Held, path: readonly (string | number)[], value: unknown): void {
  let at: unknown = root;
  for (const key of path.slice(0, -1)) {
    if (!isHeld(at)) return;
    at = Array.isArray(at)
      ? (at as Held[]).find((row) => row.id === key)
      : Object.getOwnPropertyDescriptor(at, key)?.value;
  }
  const last = path.at(-1)!;
  if (!isHeld(at) || Array.isArray(at)) return;
  if (value === undefined) Reflect.deleteProperty(at, last);
  else Object.defineProperty(at, last, { value, enumerable: true, configurable: true, writable: true });
}

import type { Job } from '../job/job.ts';
import type { FieldPath } from '../fields/field-path.ts';
import { partIn } from '../job/field-words.ts';
import type { WiringFindings } from './wiring-findings.ts';
import { deviceName } from '../harness/devices/index.ts';
import type { SizeChange } from './sizes.ts';
import { sayEnd } from './wire-list.ts';

/** “wire 3 (Fuse, 30 to Relay, 30)” or a device's name, for a sentence. */
export function deviceWord({ wiring = {} }: Pick<Job, 'wiring'>, id: string): string {
  const at = (wiring.wires ?? []).findIndex((w) => w.id === id);
  const wire = wiring.wires?.[at];
  if (wire) return `wire ${at + 1} (${sayEnd(wiring, wire.from)} to ${sayEnd(wiring, wire.to)})`;
  const device = wiring.devices?.find((d) => d.id === id);
  return device ? `“${deviceName(device)}”` : `“${id}”`;
}

/** The same short, of any element of the circuit: “wire 3”, “Fuse”. */
export function elementName({ wiring = {} }: Pick<Job, 'wiring'>, id: string): string {
  const at = (wiring.wires ?? []).findIndex((w) => w.id === id);
  if (at >= 0) return `wire ${at + 1}`;
  const device = wiring.devices?.find((d) => d.id === deviceOf(id));
  return device ? deviceName(device) : id;
}
/** The device that a link, a load or a terminal belongs to. */
const deviceOf = (id: string): string => id.split(/[/:]/)[0]!;

/** The field by which a wire or a device is found. */
export function fieldOf({ wiring }: Pick<Job, 'wiring'>, id: string): FieldPath {
  const isWire = wiring?.wires?.some((w) => w.id === id) === true;
  return isWire ? ['wiring', 'wires', id, 'from'] : ['wiring', 'devices', deviceOf(id), 'label'];
}

/** The same of a pump of the run, as it hangs in the circuit. */
export function pumpField(job: Pick<Job, 'wiring'>, part: string): { readonly path?: FieldPath } {
  const device = job.wiring?.devices?.find((d) => d.kind === 'pumpLoad' && d.part === part && d.stands !== 'out');
  return device ? { path: fieldOf(job, device.id) } : {};
}

/** What of the safe set belongs to some wires and fuses. */
export function safeChanges(
  { wiring }: { readonly wiring?: WiringFindings },
  ids: ReadonlySet<string>,
): readonly SizeChange[] {
  // what nobody has chosen yet is sized on its own page, not in passing
  return wiring?.safe?.ok
    ? wiring.safe.changes.filter((c) => ids.has(c.id) && (c.kind === 'fuse' || c.was !== undefined))
    : [];
}

/** Wires and fuses on the way of the same pumps: what has to be changed together. */
export const onWayOf = (
  { wiring }: { readonly wiring?: WiringFindings },
  parts: readonly string[],
): ReadonlySet<string> =>
  new Set((wiring?.pumps ?? []).filter((p) => parts.includes(p.part)).flatMap((p) => p.through));

/** A part of the run as a circuit’s findings know it, by its id. */
export const partWord = (job: Parameters<typeof partIn>[0], id: string): string => partIn(job, id) ?? id;

/** The pumps that something feeds, in words. */
export const pumpWords = (job: Pick<Job, 'parts'>, parts: readonly string[]): string =>
  parts.map((id) => `“${partWord(job, id)}”`).join(' and ');

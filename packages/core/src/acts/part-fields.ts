import type { Job } from '../job/job.ts';
import { commonProperties } from '../parts/define-part.ts';
import { partName, propertiesOf, type Part } from '../parts/kinds.ts';
import { setAt } from './at-path.ts';
import { GraphEdit } from './graph-edit.ts';
import { isSame } from './is-same.ts';
import { refused } from './refused.ts';

/** @throws ActRefused for a part or a field that is not there. */
export function setOnPart(job: Job, id: string, key: string, value: unknown): Job {
  const part = new GraphEdit(job).part(id);
  requireField(part, key);
  return { ...job, parts: { ...job.parts, [id]: setAt(part, [key], value) as Part } };
}

export function requireField(part: Part, key: string): void {
  if (!Object.hasOwn(commonProperties, key) && !Object.hasOwn(propertiesOf(part.kind), key))
    refused(`“${partName(part)}” has no field “${key}”`);
}

/** Whether a part has that value already. */
export const standsOnPart = (job: Job, { id, key, value }: { id: string; key: string; value?: unknown }): boolean =>
  isSame((job.parts[id] as Readonly<Record<string, unknown>> | undefined)?.[key], value);

/** A part with what is known of one port, or without. */
export function withPort(part: Part, port: string, state: NonNullable<Part['ports']>[string] | undefined): Part {
  const { [port]: _old, ...others } = part.ports ?? {};
  const ports = state === undefined ? others : { ...part.ports, [port]: state };
  if (Object.keys(ports).length > 0) return { ...part, ports };
  const { ports: _none, ...bare } = part;
  return bare;
}

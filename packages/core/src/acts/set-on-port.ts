import type { PortRef, PortState } from '../parts/port.ts';
import type { Job } from '../job/job.ts';
import type { ActOf } from './act.ts';

/** Sets one thing that is known of a port, or takes it out when `value` is absent, and keeps what else is known of it. */
export function setOnPort<Key extends keyof PortState>(
  job: Job,
  { part, port }: PortRef,
  key: Key,
  value: PortState[Key],
): ActOf<'setPort'> {
  const { [key]: _old, ...rest } = job.parts[part]?.ports?.[port] ?? {};
  return { act: 'setPort', part, port, state: value === undefined ? rest : { ...rest, [key]: value } };
}

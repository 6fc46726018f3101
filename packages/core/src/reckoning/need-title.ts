import { deviceName } from '../harness/devices/index.ts';
import type { Job } from '../job/job.ts';
import { partName } from '../parts/kinds.ts';
import type { Need } from './needs.ts';

/** “Feed hose: hose length”, “Wire 9: length”: the need with whose it is. */
export function needTitle(job: Pick<Job, 'parts' | 'wiring'>, { path, name, part, asks = name }: Need): string {
  const [root, list, id] = path;
  if (part !== undefined) return job.parts[part] ? `${partName(job.parts[part])}: ${asks}` : asks;
  if (root !== 'wiring') return asks;
  if (list === 'wires') return `Wire ${(job.wiring?.wires ?? []).findIndex((w) => w.id === id) + 1}: ${asks}`;
  const device = job.wiring?.devices?.find((d) => d.id === id);
  return device ? `${deviceName(device)}: ${asks}` : asks;
}

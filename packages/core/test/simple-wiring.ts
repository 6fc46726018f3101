import type { Job } from '../src/job/job.ts';
import type { Measured } from '../src/fields/measured.ts';
import type { Harness, Wire } from '../src/harness/harness.ts';
import { HarnessBuild } from '../src/harness-templates/harness-build.ts';

/** Supply, earth, contacts and fuse of one pump. Lengths in m, contacts in ohm, fuse in A. */
export interface SimpleWiring {
  part?: string;
  supply?: Measured | undefined;
  supplyLength?: number | undefined;
  earth?: Measured | undefined;
  earthLength?: number | undefined;
  contacts?: number;
  fuse?: number;
  inside?: Partial<Wire>;
  /** Ids of a fuse and a relay that stand already. */
  behind?: { fuse: string; relay: string };
}

const measured = (si: number | undefined, unit: string): Measured | undefined =>
  si === undefined ? undefined : { si, unit };
const known = <T extends object>(record: T): T =>
  Object.fromEntries(Object.entries(record).filter(([, v]) => v !== undefined)) as T;

/** A pump behind a fuse and a relay that the control unit pulls, with all resistance of contacts in the fuse. */
export function simpleWiring(given: SimpleWiring, onto: Harness = {}): Harness {
  const build = new HarnessBuild(onto);
  const none = { si: 0, unit: 'Ω' };
  const battery = build.only('battery');
  const isFirst = !onto.devices?.some((d) => d.kind === 'controlUnit');
  const unit = build.only('controlUnit', { output: 'earths', crashInput: true });
  const key = build.only('keySwitch');
  if (isFirst) {
    const point = build.device('earthPoint');
    build.wire(`${battery}:plus`, `${key}:30`, { stands: 'kept' });
    build.wire(`${key}:15`, `${unit}:feed`);
    build.wire(`${unit}:earth`, `${point}:point`);
  }
  const fuse =
    given.behind?.fuse ??
    build.device(
      'fuse',
      known({ rating: measured(given.fuse, 'A'), resistance: measured(given.contacts ?? 0.02, 'Ω') }),
    );
  const relay = given.behind?.relay ?? build.device('relay', { resistance: none });
  if (!given.behind) {
    build.wire(`${battery}:plus`, `${fuse}:in`, { length: { si: 0, unit: 'm' } });
    build.wire(`${fuse}:out`, `${relay}:30`, { length: { si: 0, unit: 'm' } });
    build.wire(`${key}:15`, `${relay}:86`);
    build.wire(`${relay}:85`, `${unit}:pump`);
  }
  const pump = build.device('pumpLoad', { part: given.part ?? 'pump-1' });
  const earth = build.device('earthPoint', { resistance: none });
  const supply = known({ use: 'pump' as const, area: given.supply, length: measured(given.supplyLength, 'm') });
  if (given.inside) {
    const plate = build.device('connector', { resistance: none, place: 'bulkhead' });
    build.wire(`${relay}:87`, `${plate}:in`, supply);
    build.wire(`${plate}:out`, `${pump}:plus`, { lies: 'tank', length: { si: 0, unit: 'm' }, ...given.inside });
  } else build.wire(`${relay}:87`, `${pump}:plus`, supply);
  build.wire(
    `${pump}:minus`,
    `${earth}:point`,
    known({ use: 'earth' as const, area: given.earth, length: measured(given.earthLength, 'm') }),
  );
  return build.harness;
}

/** The job with that circuit alone. */
export function wire(job: Job, given: SimpleWiring): void {
  job.wiring = simpleWiring(given);
}

import { mate, type Mating } from '../fittings/mating.ts';
import type { Adapter } from '../fittings/adapter.ts';
import type { Port } from '../fittings/port.ts';
import { isClampedHose, type Meets } from '../fittings/usual-port.ts';
import { peersOf, type Graph } from '../parts/graph.ts';
import { kindOf, type Part } from '../parts/kinds.ts';
import { readFrom, type Joint } from '../parts/joint.ts';
import { usualPortOf } from '../parts/usual-ports.ts';
import { portKey } from '../parts/port.ts';
import { circuitsOf } from './circuits.ts';
import { lineOfZone, type Line } from './zones.ts';

/** One end of a joint: the port as it was looked at, else as it usually is. */
export interface JointEnd {
  readonly part: string;
  readonly port: string;
  readonly fitting?: Port;
  /** Only supposed: nobody has looked at it yet. */
  readonly isUsual: boolean;
  /** It opens into the tank: nothing is screwed there. */
  readonly opens: boolean;
}

/** Two ends that are put together. */
export interface Meeting {
  /** "7", or "7.1", "7.2" where adapters stand between. */
  readonly number: string;
  readonly ends: readonly [Port, Port];
  readonly mating: Mating;
  /** Both ends are known: looked at, or of a chosen adapter. */
  readonly isKnown: boolean;
}

/** Where two parts meet; the way that fuel takes. */
export interface JointFinding {
  readonly id: string;
  readonly number: number;
  readonly line: Line;
  readonly from: string;
  readonly to: string;
  readonly outlet: JointEnd;
  readonly inlet: JointEnd;
  /** Adapters that were chosen, in the order of the fuel, each with its port on that side first. */
  readonly chain: readonly Adapter[];
  /** None while an end is unknown, or where the joint opens into the tank. */
  readonly meetings: readonly Meeting[];
  readonly opens: boolean;
  readonly joint: Joint;
}

/** Whether every two ends of a joint seal on each other; undefined while that cannot be told. */
export const seals = ({ meetings, opens }: JointFinding): boolean | undefined =>
  opens ? true : meetings.length === 0 ? undefined : meetings.every((m) => m.mating.mates);

/** Every joint of the run in the order of the fuel, then those that no fuel passes. */
export function jointsOf(job: Graph): JointFinding[] {
  const run = circuitsOf(job);
  const ordered = run.order.flatMap((id) => run.outOf(id));
  const passed = new Set(ordered.map((f) => f.joint));
  const rest = Object.values(job.joints).filter((j) => !passed.has(j.id) && run.has(j.a.part) && run.has(j.b.part));
  const ways = [
    ...ordered.map((f) => ({
      id: f.joint,
      line: lineOfZone(f.zone),
      from: { part: f.from, port: f.fromPort },
      to: { part: f.to, port: f.toPort },
    })),
    ...rest.map((j) => ({ id: j.id, line: run.lineOf(j.a.part), from: j.a, to: j.b })),
  ];
  return ways.map(({ id, line, from, to }, i): JointFinding => {
    const joint = job.joints[id]!;
    const [outlet, inlet] = [endOf(job, from.part, from.port), endOf(job, to.part, to.port)];
    const chain = readFrom(joint, from, joint.chain ?? []);
    const opens = outlet.opens || inlet.opens;
    const meetings = opens ? [] : meetingsOf(String(i + 1), outlet, inlet, chain);
    return { id, number: i + 1, line, from: from.part, to: to.part, outlet, inlet, chain, meetings, opens, joint };
  });
}

/** A joint as it would be with other adapters in it. */
export const joined = (joint: JointFinding, chain: readonly Adapter[]): JointFinding => ({
  ...joint,
  chain,
  meetings: joint.opens ? [] : meetingsOf(String(joint.number), joint.outlet, joint.inlet, chain),
});

function meetingsOf(number: string, outlet: JointEnd, inlet: JointEnd, chain: readonly Adapter[]): Meeting[] {
  if (!outlet.fitting || !inlet.fitting) return [];
  const ends = [outlet.fitting, ...chain.flatMap((a) => [a.ports[0]!, a.ports[1]!]), inlet.fitting];
  return [...Array(chain.length + 1).keys()].map((i): Meeting => {
    const [a, b] = [ends[2 * i]!, ends[2 * i + 1]!];
    return {
      number: chain.length === 0 ? number : `${number}.${i + 1}`,
      ends: [a, b],
      mating: mate(a, b),
      isKnown: !(i === 0 && outlet.isUsual) && !(i === chain.length && inlet.isUsual),
    };
  });
}

/** A port of the run as it is, or as such a port usually is where it stands. */
export function endOf(job: Graph, id: string, port: string): JointEnd {
  const part = job.parts[id]!;
  const own = part.ports?.[port]?.fitting;
  if (own) return { part: id, port, fitting: own, isUsual: false, opens: false };
  const usual = usualOf(job, part, port, true);
  if (usual === 'fuel') return { part: id, port, isUsual: true, opens: true };
  return { part: id, port, ...(usual ? { fitting: usual } : {}), isUsual: true, opens: false };
}

function usualOf(job: Graph, part: Part, port: string, looksAcross: boolean): Port | 'fuel' | undefined {
  const peer = peersOf(job).get(portKey(part.id, port));
  const other = peer && job.parts[peer.part];
  const across = other?.kind === 'hose' && looksAcross ? hoseAcross(job, other, peer!.port) : undefined;
  const meets: Meets = {
    isInTank: other !== undefined && kindOf(other).isInTank?.(other) === true,
    ...(peer?.joint.clamp === undefined ? {} : { clamp: peer.joint.clamp }),
    ...(across ? { hose: across } : {}),
  };
  return usualPortOf(part, port, meets);
}

/** The hose that is pushed over a port, as far as it is one to be clamped. */
function hoseAcross(job: Graph, hose: Part, port: string): Port | undefined {
  const fitting = hose.ports?.[port]?.fitting ?? usualOf(job, hose, port, false);
  return fitting && fitting !== 'fuel' && isClampedHose(fitting) ? fitting : undefined;
}

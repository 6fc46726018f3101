import type { Job } from '../job/job.ts';
import { kindOf, type Part, type PartOf } from '../parts/kinds.ts';
import type { Site } from '../parts/lower.ts';
import { brimOf } from '../parts/swirl-pot/swirl-pot.ts';
import type { Circuits } from './circuits.ts';

/**
 * What a part meets where it stands on the run, as far as it decides what it is in the network.
 *
 * @param changed - parts that are tried with other measurements.
 */
export function siteOf(
  part: Part,
  circuits: Circuits,
  job: Pick<Job, 'survey' | 'hanger' | 'brief'>,
  changed: ReadonlyMap<string, Part>,
): Site {
  const ports = circuits.ports(part.id);
  const peer = (port: string) => {
    const found = ports.find((p) => p.port === port)?.peer;
    return found && circuits.has(found.part) ? found : undefined;
  };
  const beyond = (port: string): Part | undefined => {
    const found = peer(port);
    return found && (changed.get(found.part) ?? circuits.part(found.part));
  };
  const { survey, hanger } = job;
  return {
    boreBeyond: (port) => {
      const { part: to, joint } = peer(port) ?? {};
      const chain = joint?.chain;
      // of what stands between, the first that is met
      if (chain) return (joint.a.part === to ? chain.at(-1)! : chain[0]!).bore;
      const other = beyond(port);
      return other && kindOf(other).bore?.(other);
    },
    isVesselBeyond: (port) => {
      if (peer(port)?.joint.chain) return false; // the adapters answer for it
      const other = beyond(port);
      return other !== undefined && kindOf(other).isVessel === true;
    },
    isMated: (port) => peer(port) !== undefined,
    flowsIn: (port) => circuits.flowsIn(part.id, port),
    endHeight: (port) => {
      const pot = circuits.potBehind(port);
      // what runs over from a pot above the tank falls: it does not draw the pot down
      if (pot) return Math.max(brimOf(circuits.part(pot) as PartOf<'swirlPot'>), survey.tank.depth?.si ?? 0);
      const other = beyond(port);
      return other?.kind === 'returnDrop' ? other.endHeight?.si : undefined;
    },
    isSuction: circuits.zoneOf(part.id)?.kind === 'suction',
    isBeside: circuits.isBeside(part.id),
    ports: ports.filter((p) => p.spec.use !== 'dry').map((p) => p.port),
    tankDepth: survey.tank.depth?.si,
    railHeight: survey.railHeight?.si,
    injectors: part.kind === 'rail' ? injectorsOf(part, circuits, job) : 0,
    jet:
      hanger?.jetDrill && hanger.jetDrill.si > 0
        ? { drill: hanger.jetDrill.si, edge: hanger.jetEdge ?? 'sharp' }
        : undefined,
  };
}

/** Injectors of one rail: as counted, else its share of the engine's. */
export function injectorsOf(rail: PartOf<'rail'>, circuits: Circuits, { brief }: Pick<Job, 'brief'>): number {
  const rails = circuits.parts.filter((p) => p.kind === 'rail').length;
  return rail.injectors ?? Math.ceil((brief.injectors ?? TYPICAL_INJECTORS) / rails);
}

/** Of an engine whose injectors are not counted yet; shown as standing in. */
export const TYPICAL_INJECTORS = 4; // common practice

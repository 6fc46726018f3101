import {
  EXIT,
  fittingLoss,
  SHARP_ENTRANCE,
  sizeChangeLoss,
  type LossCoefficient,
} from '../hydraulics/loss-coefficient.ts';
import type { LinkLaw } from '../hydraulics/network.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../ratings/line-material.ts';
import type { Lowered, Site } from './lower.ts';

export const lineLaw = (
  length: number,
  bore: number,
  roughness: number,
  loss: LossCoefficient = { k1: 0, kInfinity: 0 },
): LinkLaw & { kind: 'line' } => ({ kind: 'line', length, bore, roughness, loss });

/** K that a port answers for, on its own bore: into and out of a vessel, and to a wider neighbour. */
export function portLoss(site: Site, port: string, bore: number): number {
  const comesIn = site.flowsIn(port);
  const beyond = site.boreBeyond(port);
  const vessel = site.isVesselBeyond(port) ? (comesIn ? SHARP_ENTRANCE : EXIT) : 0;
  if (beyond === undefined || beyond <= bore) return vessel;
  return vessel + (comesIn ? sizeChangeLoss(beyond, bore) : sizeChangeLoss(bore, beyond));
}

const HUMP = '.hump';

/** K of so many bends of a quarter turn, whole or in part. */
export function bendLoss(bore: number, bends: number): LossCoefficient {
  const { k1, kInfinity } = fittingLoss('elbow90Bend', bore);
  return { k1: k1 * bends, kInfinity: kInfinity * bends };
}

/** One piece of line between two ports, or two where it humps between them. @param highest - m above the tank floor. */
export function lowerLine(
  id: string,
  site: Site,
  {
    length,
    bore,
    roughness,
    loss,
    highest,
  }: { length: number; bore: number; roughness: number; loss?: LossCoefficient; highest?: number },
  more: { checkValve?: boolean; cracking?: number } = {},
): Lowered {
  const own = loss ?? { k1: 0, kInfinity: 0 };
  const ends = portLoss(site, 'in', bore) + portLoss(site, 'out', bore);
  const law = lineLaw(length, bore, roughness, { k1: own.k1, kInfinity: own.kInfinity + ends });
  const { checkValve, cracking } = more;
  if (highest !== undefined) {
    const half = (port: string) => lineLaw(length / 2, bore, roughness, { k1: own.k1 / 2, kInfinity: own.kInfinity / 2 + portLoss(site, port, bore) }); // prettier-ignore
    return {
      links: [
        { id, from: 'in', to: HUMP, law: half('in') },
        { id: `${id}:beyond`, from: HUMP, to: 'out', law: half('out') },
      ],
      heights: [[HUMP, highest]],
      through: id,
      bore,
    };
  }
  return {
    links: [{ id, from: 'in', to: 'out', law: cracking === undefined ? law : { ...law, cracking }, checkValve }],
    through: id,
    bore,
  };
}

/**
 * Ports that meet in one body: a link from each to its middle, with its own loss, on the part's bore. While the bore is unknown
 * they are one place without loss, which the working says.
 */
export function lowerJunction(
  id: string,
  site: Site,
  bore: number | undefined,
  lossOf: (port: string) => LossCoefficient,
): Lowered {
  const ports = site.ports.filter((port) => site.isMated(port));
  if (bore === undefined) return { links: [], ties: ports.map((port) => [port, BODY] as const) };
  return {
    links: ports.map((port) => {
      const { k1, kInfinity } = lossOf(port);
      const loss = { k1, kInfinity: kInfinity + portLoss(site, port, bore) };
      // a link runs as its fuel does, so that flows are told with the right sign
      const [from, to] = site.flowsIn(port) ? [port, BODY] : [BODY, port];
      return { id: `${id}:${port}`, from, to, law: lineLaw(0, bore, DRAWN_TUBE_ROUGHNESS, loss) };
    }),
    bore,
  };
}
const BODY = '.body';

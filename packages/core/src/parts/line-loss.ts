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
  const { k1, kInfinity } = loss ?? { k1: 0, kInfinity: 0 };
  const { checkValve, cracking } = more;
  /** So much of the line, and what some of its ports answer for. */
  const piece = (share: number, ...ports: string[]) =>
    lineLaw(share * length, bore, roughness, {
      k1: share * k1,
      kInfinity: share * kInfinity + ports.reduce((sum, port) => sum + portLoss(site, port, bore), 0),
    });
  // a valve sits at the inlet
  const first = (to: string, law: ReturnType<typeof lineLaw>) => ({
    id,
    from: 'in',
    to,
    law: cracking === undefined ? law : { ...law, cracking },
    checkValve,
  });
  if (highest === undefined) return { links: [first('out', piece(1, 'in', 'out'))], through: id, bore };
  return {
    links: [first(HUMP, piece(0.5, 'in')), { id: `${id}:beyond`, from: HUMP, to: 'out', law: piece(0.5, 'out') }],
    heights: [[HUMP, highest]],
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

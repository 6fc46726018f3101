import { frictionWithSlope } from './friction-factor.ts';
import type { LinkLaw, Liquid } from './network.ts';

/** Pressure lost along a link at a flow, Pa, and its derivative, Pa s/m3. A pump's loss is negative. */
export interface LossAt {
  loss: number;
  slope: number;
}

const LEAST_SLOPE = 1e6; // Pa s/m3, 0.3 Pa per L/h: keeps Newton's matrix regular at no flow, too small to see in a result

export function linkLoss(law: LinkLaw, flow: number, liquid: Liquid): LossAt {
  switch (law.kind) {
    case 'line':
      return lineLoss(law, flow, liquid);
    case 'porous':
      return {
        loss: law.linear * flow + law.quadratic * flow * Math.abs(flow),
        slope: law.linear + 2 * law.quadratic * Math.abs(flow) + LEAST_SLOPE,
      };
    case 'pump':
      return { loss: -law.rise.value(flow), slope: -law.rise.slope(flow) + LEAST_SLOPE };
    case 'bypassRegulator':
    case 'deadHeadRegulator':
      return orificeLoss(law, flow, liquid);
  }
}

function lineLoss(law: LinkLaw & { kind: 'line' }, flow: number, { density, viscosity }: Liquid): LossAt {
  const area = (Math.PI * law.bore ** 2) / 4;
  const size = Math.max(Math.abs(flow), 1e-15);
  const velocity = size / area;
  const reynolds = (density * velocity * law.bore) / viscosity;
  const perVelocity = reynolds / velocity;
  const { factor, slope } = frictionWithSlope(reynolds, law.roughness / law.bore);
  const lengths = law.length / law.bore;
  const k = factor * lengths + law.loss.k1 / reynolds + law.loss.kInfinity;
  const kSlope = (slope * lengths - law.loss.k1 / reynolds ** 2) * perVelocity; // by velocity
  const half = density / 2;
  return {
    loss: Math.sign(flow) * half * k * velocity ** 2,
    slope: Math.max(half * (kSlope * velocity ** 2 + 2 * k * velocity), 0) / area + LEAST_SLOPE,
  };
}

/** A regulator's wide-open seat: K on the velocity in its bore. */
function orificeLoss(law: { bore: number; k: number }, flow: number, { density }: Liquid): LossAt {
  const area = (Math.PI * law.bore ** 2) / 4;
  const factor = (law.k * density) / (2 * area ** 2);
  return { loss: factor * flow * Math.abs(flow), slope: 2 * factor * Math.abs(flow) + LEAST_SLOPE };
}

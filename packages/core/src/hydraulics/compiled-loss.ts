import { churchill, epanetComposite } from './friction-factor.ts';
import type { FrictionLaw, LinkLaw, Liquid } from './network.ts';

/** Loss and its derivative at a flow, kept for the solver's loop: kPa and kPa per L/h. */
export interface LossAt {
  loss: number;
  slope: number;
}

/** A link's law with all that does not depend on flow worked out beforehand. Flow in L/h. */
export type CompiledLoss = (flow: number, into: LossAt) => void;

const KPA = 1e-3; // of a pascal
const LPH = 3.6e6; // L/h in a m3/s
const LEAST_SLOPE = (1e6 * KPA) / LPH; // 0.3 Pa per L/h: keeps Newton's matrix regular at no flow, too small to see

export function compileLoss(law: LinkLaw, liquid: Liquid, friction: FrictionLaw = 'churchill'): CompiledLoss {
  switch (law.kind) {
    case 'line':
      return compileLine(law, liquid, friction === 'churchill' ? churchill : epanetComposite);
    case 'porous': {
      const [linear, quadratic] = [(law.linear * KPA) / LPH, (law.quadratic * KPA) / LPH ** 2];
      return (flow, into) => {
        const size = Math.abs(flow);
        into.loss = flow * (linear + quadratic * size);
        into.slope = linear + 2 * quadratic * size + LEAST_SLOPE;
      };
    }
    case 'pump': {
      const { rise } = law;
      return (flow, into) => {
        const q = flow / LPH;
        into.loss = -rise.value(q) * KPA;
        into.slope = (-rise.slope(q) * KPA) / LPH + LEAST_SLOPE;
      };
    }
    case 'curve': {
      const { loss } = law;
      return (flow, into) => {
        const q = Math.abs(flow) / LPH;
        into.loss = Math.sign(flow) * loss.value(q) * KPA;
        into.slope = (loss.slope(q) * KPA) / LPH + LEAST_SLOPE;
      };
    }
    case 'bypassRegulator':
    case 'deadHeadRegulator': {
      // a regulator's wide-open seat: K on the velocity in its bore
      const area = (Math.PI * law.bore ** 2) / 4;
      const factor = ((law.k * liquid.density) / (2 * area ** 2) / LPH ** 2) * KPA;
      return (flow, into) => {
        const size = Math.abs(flow);
        into.loss = factor * flow * size;
        into.slope = 2 * factor * size + LEAST_SLOPE;
      };
    }
  }
}

function compileLine(
  law: LinkLaw & { kind: 'line' },
  { density, viscosity }: Liquid,
  frictionLaw: typeof churchill,
): CompiledLoss {
  const area = (Math.PI * law.bore ** 2) / 4;
  const velocityPerFlow = 1 / (area * LPH);
  const reynoldsPerFlow = (density * law.bore * velocityPerFlow) / viscosity;
  const headPerFlow2 = (density / 2) * velocityPerFlow ** 2 * KPA;
  const lengths = law.length / law.bore;
  const relativeRoughness = law.roughness / law.bore;
  const { k1, kInfinity } = law.loss;
  const friction = { factor: 0, slope: 0 };
  return (flow, into) => {
    const size = Math.max(Math.abs(flow), 1e-9);
    const reynolds = reynoldsPerFlow * size;
    let k = kInfinity;
    let kSlope = 0; // by flow
    if (lengths > 0) {
      frictionLaw(reynolds, relativeRoughness, friction);
      k += friction.factor * lengths;
      kSlope += friction.slope * lengths * reynoldsPerFlow;
    }
    if (k1 > 0) {
      k += k1 / reynolds;
      kSlope -= k1 / (reynolds * size);
    }
    into.loss = Math.sign(flow) * headPerFlow2 * k * size * size;
    into.slope = Math.max(headPerFlow2 * size * (kSlope * size + 2 * k), 0) + LEAST_SLOPE;
  };
}

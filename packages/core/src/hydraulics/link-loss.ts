import { compileLoss, type LossAt } from './compiled-loss.ts';
import type { LinkLaw, Liquid } from './network.ts';

/** Pressure lost along a link at a flow, Pa, and its derivative, Pa s/m3. A pump's loss is negative. m3/s. */
export function linkLoss(law: LinkLaw, flow: number, liquid: Liquid): LossAt {
  const at: LossAt = { loss: 0, slope: 0 };
  compileLoss(law, liquid)(flow * 3.6e6, at);
  return { loss: at.loss * 1e3, slope: at.slope * 3.6e9 };
}

import type { Hanger } from '../job/hanger.ts';
import { hangerProperties } from '../job/hanger.ts';
import { enclosingCircle, type Packing } from './enclosing-circle.ts';

/** Whether pump bodies pass an opening side by side. m. */
export interface OpeningFit {
  readonly bodies: readonly { readonly label: string; readonly diameter: number }[];
  readonly packing: Packing;
  /** Smallest round hole with the play that is wanted. */
  readonly needed: number;
  /** The opening less its clamp lip; absent while unmeasured. */
  readonly free?: number;
  /** free − needed. */
  readonly spare?: number;
  /** Most bodies that do pass together, by their numbers, when not all do. */
  readonly passing?: readonly number[];
}

/** Undefined while no body has a diameter. */
export function openingFit(hanger: Hanger): OpeningFit | undefined {
  const bodies = (hanger.bodies ?? []).flatMap((b, i) =>
    b.diameter ? [{ label: b.label ?? `body ${i + 1}`, diameter: b.diameter.si + 2 * (b.sleeve?.si ?? 0) }] : [],
  );
  if (bodies.length === 0) return undefined;
  const play = hanger.play?.si ?? hangerProperties.play.typical!.si;
  const neededFor = (list: readonly { diameter: number }[]) =>
    enclosingCircle(list.map((b) => b.diameter)).diameter + 2 * play;
  const packing = enclosingCircle(bodies.map((b) => b.diameter));
  const needed = packing.diameter + 2 * play;
  const free = hanger.openingDiameter && Math.max(0, hanger.openingDiameter.si - 2 * (hanger.lip?.si ?? 0));
  if (free === undefined) return { bodies, packing, needed };
  const spare = free - needed;
  if (spare >= 0) return { bodies, packing, needed, free, spare };
  const subsets = Array.from({ length: 2 ** bodies.length - 1 }, (_, mask) =>
    bodies.flatMap((_, i) => ((mask + 1) & (1 << i) ? [i] : [])),
  ).sort((a, b) => b.length - a.length);
  const passing = subsets.find((subset) => neededFor(subset.map((i) => bodies[i]!)) <= free) ?? [];
  return { bodies, packing, needed, free, spare, passing };
}

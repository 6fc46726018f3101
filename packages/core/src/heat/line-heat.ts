import { isLine, kindOf, type Part } from '../parts/kinds.ts';
import { onceFor } from '../memory/once-for.ts';
import type { Circuits } from '../run/circuits.ts';
import { spansOf } from '../run/spans.ts';
import { mm } from '../units/quick.ts';

/** Where a piece of the run lies, as heat sees it. */
export type HeatZone = 'tank' | 'underbody' | 'exhaust' | 'bay';

/** As the fitter said; unsaid, by where most of its line lies: behind the middle of the way to the engine it is in the bay. */
export const heatZones = onceFor((circuits: Circuits): ReadonlyMap<string, HeatZone> => {
  const [consumer] = circuits.consumers;
  const starts = new Map(spansOf(circuits).map((s) => [s.part, s.start]));
  const half = (consumer === undefined ? Infinity : starts.get(consumer)!) / 2;
  return new Map(
    circuits.parts.map((part): [string, HeatZone] => {
      if (isLine(part) && part.lies) return [part.id, part.lies];
      if (kindOf(part).isInTank?.(part) ?? kindOf(part).isVessel) return [part.id, 'tank'];
      return [part.id, starts.get(part.id)! > half ? 'bay' : 'underbody'];
    }),
  );
});

const TO_AIR = 12; // W/(m2 K), still air and radiation to it together; typical, from memory
const SLEEVE = 0.1; // m2 K/W, 5 mm of glass cloth with its air; typical, from memory
const AIR = 0.03; // W/(m K), air near 80 °C; CRC Handbook, from memory
const RADIATED = 14; // W/(m2 K) of a hot pipe to what faces it, over their difference; typical, from memory
const EXHAUST_RADIUS = mm(25); // typical, from memory
const FACES = 0.5; // share of a line's skin that faces the exhaust
const THROUGH_SHIELD = 0.2; // of the radiation, passes a shield with air on both sides; typical, from memory
const CLIPPED = 0.15; // share of a line's skin that lies along what it is clipped to; typical, from memory
const LEAST_GAP = mm(0.5);

/** What warms a square metre of a line, W/K of each: the air around it, the exhaust it faces, the metal it is clipped along. */
export interface LineHeat {
  readonly air: number;
  readonly exhaust: number;
  readonly metal: number;
}

/** A sleeve lies between the line and all three; a shield between it and the exhaust alone. */
export function lineHeat(part: Part, zone: HeatZone): LineHeat {
  const line = isLine(part) ? part : undefined;
  const gap = line?.exhaustGap?.si ?? (zone === 'exhaust' ? EXHAUST_RADIUS : undefined);
  const faced = gap === undefined ? 0 : FACES * (EXHAUST_RADIUS / (EXHAUST_RADIUS + gap));
  const bare = {
    air: TO_AIR,
    exhaust: RADIATED * faced * (line?.shielded ? THROUGH_SHIELD : 1),
    metal: line?.standOff ? (CLIPPED * AIR) / Math.max(line.standOff.si, LEAST_GAP) : 0,
  };
  const share = line?.sleeved ? 1 / (1 + SLEEVE * (bare.air + bare.exhaust + bare.metal)) : 1;
  return { air: bare.air * share, exhaust: bare.exhaust * share, metal: bare.metal * share };
}

/** What is left of the heat to a line when it is sleeved and shielded as it is. */
export function keptOff(part: Part, zone: HeatZone): number {
  const sum = ({ air, exhaust, metal }: LineHeat) => air + exhaust + metal;
  const bare = isLine(part) ? { ...part, sleeved: false, shielded: false } : part;
  return sum(lineHeat(part, zone)) / sum(lineHeat(bare, zone));
}

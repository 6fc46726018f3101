import type { Harness, Wire } from '../harness/harness.ts';
import { devicesOf, placeOf, wiresOf } from '../harness/in-circuit.ts';
import { isDevice } from '../harness/devices/index.ts';
import { barrels, outsideOf, seals, type Barrel, type Seal, type WireEndKind } from '../harness/wire-kinds.ts';
import { atLeastOne } from '../harness/wire.ts';

export type Fit = 'fits' | 'loose' | 'crowded';

/** One end of one wire, as it is made. */
export interface CrimpFinding {
  readonly wire: string;
  readonly end: 'start' | 'finish';
  readonly kind?: WireEndKind;
  /** Conductors in one barrel, and their copper together, m2; undefined while a gauge is unknown. */
  readonly inBarrel: number;
  readonly copper?: number;
  readonly barrel?: Barrel;
  readonly fit?: Fit;
  /** The barrel that closes on it; undefined: none of the table. */
  readonly wants?: Barrel;
  readonly seal?: Seal;
  readonly sealFit?: Fit;
  readonly wantsSeal?: Seal;
  /** More than one wire in a sealed cavity: a seal closes on one. */
  readonly sharesSeal: boolean;
  /** The connector whose terminals are pulled in from the front: the wire goes through first. */
  readonly pullsIn?: string;
}

const ROUNDING = 1e-9;
const fitOf = (size: number, { least, most }: { readonly least: number; readonly most: number }): Fit =>
  size < least * (1 - ROUNDING) ? 'loose' : size > most * (1 + ROUNDING) ? 'crowded' : 'fits';
const first = <K extends string>(
  table: Readonly<Record<K, { readonly least: number; readonly most: number }>>,
  size: number,
): K | undefined => (Object.keys(table) as K[]).find((key) => fitOf(size, table[key]) === 'fits');

/** Every end of every wire, in the order of the list: its barrel against all conductors that share it, and its seal. */
export function crimpsOf(harness: Harness): CrimpFinding[] {
  const wires = wiresOf(harness);
  const byId = new Map(devicesOf(harness).map((d) => [d.id, d]));
  const ends = wires.flatMap((wire) =>
    (['start', 'finish'] as const).map((end) => ({ wire, end, at: placeOf(end === 'start' ? wire.from : wire.to) })),
  );
  return ends.map(({ wire, end, at }): CrimpFinding => {
    const device = byId.get(at.split(':')[0]!)!;
    const kind = end === 'start' ? wire.startEnd : wire.finishEnd;
    // rings stack on a stud, each with its own barrel; at a pin all wires share what barrels there are
    const together =
      kind === 'ring' ? [wire] : ends.filter((e) => e.at === at && kindAt(e) !== 'ring').map((e) => e.wire);
    const pins = isDevice(device, 'connector') ? atLeastOne(device.pins) : kind === 'ring' ? conductors(wire) : 1;
    const inBarrel = Math.ceil(together.reduce((sum, w) => sum + conductors(w), 0) / pins);
    const areas = together.map((w) => (w.area ? w.area.si * conductors(w) : undefined));
    const copper = areas.some((a) => a === undefined)
      ? undefined
      : areas.reduce<number>((sum, a) => sum + a!, 0) / pins;
    const barrel = end === 'start' ? wire.startBarrel : wire.finishBarrel;
    const seal = end === 'start' ? wire.startSeal : wire.finishSeal;
    const outside = wire.outside?.si ?? (wire.area && outsideOf(wire.area.si));
    const wants = copper === undefined ? undefined : first(barrels, copper);
    const wantsSeal = outside === undefined ? undefined : first(seals, outside);
    return {
      wire: wire.id,
      end,
      inBarrel,
      sharesSeal: seal !== undefined && inBarrel > 1,
      ...(kind ? { kind } : {}),
      ...(copper === undefined ? {} : { copper }),
      ...(barrel ? { barrel } : {}),
      ...(barrel && copper !== undefined ? { fit: fitOf(copper, barrels[barrel]) } : {}),
      ...(wants ? { wants } : {}),
      ...(seal ? { seal } : {}),
      ...(seal && outside !== undefined ? { sealFit: fitOf(outside, seals[seal]) } : {}),
      ...(wantsSeal ? { wantsSeal } : {}),
      ...(isDevice(device, 'connector') && device.seats === 'pull' ? { pullsIn: device.id } : {}),
    };
  });
}

const conductors = (wire: Wire): number => atLeastOne(wire.conductors);
const kindAt = ({ wire, end }: { wire: Wire; end: 'start' | 'finish' }) =>
  end === 'start' ? wire.startEnd : wire.finishEnd;

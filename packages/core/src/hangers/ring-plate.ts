import type { Hanger } from '../job/hanger.ts';
import { hangerProperties } from '../job/hanger.ts';
import { apart, CORNERS, SHARED } from '../fittings/spanner-room.ts';
import { enclosingCircle } from './enclosing-circle.ts';

/** A port placed on the ring plate, its middle from the plate's. m. */
export interface PlacedPort {
  readonly label: string;
  readonly x: number;
  readonly y: number;
  readonly hexagon: number;
  readonly hole?: number;
  readonly is: 'port' | 'stud' | 'pass';
  /** Of an insulated stud. */
  readonly stud?: number;
}
export interface RingPlate {
  readonly outside: number;
  readonly hole: number;
  /** A moulded lid has none. */
  readonly boltCircle?: number;
  readonly thickness?: number;
  readonly studs: readonly { readonly x: number; readonly y: number }[];
  readonly studSize: number;
  readonly ports: readonly PlacedPort[];
  /** Circle inside the stud nuts, or inside a moulded lid's wall, that ports may use, and what they need with room for a spanner. */
  readonly room: number;
  readonly needed: number;
  /** Metal left between the stud holes and the hole, and the studs and the rim; negative means there is none. */
  readonly land?: number;
  readonly rim?: number;
}

const NUT_CORNERS = 1.85; // stud nut across corners, of the stud: typical of ISO 4032 nuts, from memory
const STUD_CLEARANCE = 1.1; // hole of the stud: ISO 273 medium, from memory

const WALL_ROOM = 0.001; // m between a hexagon's corner and the wall of a moulded lid, common practice

/** A moulded lid: its flat takes the ports, no studs. */
function mouldedLid(hanger: Hanger): RingPlate | undefined {
  const flat = hanger.lidFlat?.si;
  if (flat === undefined) return undefined;
  const { placed, needed } = placePorts(portsOf(hanger));
  const { studSize } = hangerProperties;
  return {
    outside: hanger.plateOutside?.si ?? flat,
    hole: hanger.openingDiameter?.si ?? flat,
    thickness: hanger.lidThickness?.si,
    studs: [],
    studSize: studSize.typical!.si,
    ports: placed,
    room: flat - 2 * WALL_ROOM,
    needed,
  };
}

const portsOf = (hanger: Hanger) =>
  (hanger.ports ?? []).flatMap((p) =>
    p.hexagon
      ? [
          {
            label: p.label ?? 'port',
            hexagon: p.hexagon.si,
            hole: p.hole?.si,
            is: p.is ?? ('port' as const),
            stud: p.stud?.si,
          },
        ]
      : [],
  );

/**
 * Undefined until the bolt circle, or a moulded lid's flat, is known. A missing hole is the opening's; a missing outside leaves a
 * land of two studs.
 */
export function ringPlate(hanger: Hanger): RingPlate | undefined {
  if (hanger.lid === 'moulded') return mouldedLid(hanger);
  const boltCircle = hanger.boltCircle?.si;
  const hole = hanger.plateHole?.si ?? hanger.openingDiameter?.si;
  if (boltCircle === undefined || hole === undefined) return undefined;
  const studSize = hanger.studSize?.si ?? hangerProperties.studSize.typical!.si;
  const outside = hanger.plateOutside?.si ?? boltCircle + 4 * studSize;
  const count = hanger.studs ?? 6;
  const { placed, needed } = placePorts(portsOf(hanger));
  return {
    outside,
    hole,
    boltCircle,
    thickness: hanger.lidThickness?.si,
    studSize,
    studs: Array.from({ length: count }, (_, i) => {
      const angle = Math.PI / 2 + (2 * Math.PI * i) / count;
      return { x: (boltCircle / 2) * Math.cos(angle), y: (boltCircle / 2) * Math.sin(angle) };
    }),
    ports: placed,
    room: boltCircle - NUT_CORNERS * studSize,
    needed,
    land: (boltCircle - hole - STUD_CLEARANCE * studSize) / 2,
    rim: (outside - boltCircle - STUD_CLEARANCE * studSize) / 2,
  };
}

export const studHole = (studSize: number): number => STUD_CLEARANCE * studSize;

/**
 * Ports spread so that a spanner can turn any one of them beside the others.
 *
 * Between two ports half a spanner head and half of the other's hexagon must fit; the packing of circles of the mean of
 * both is spread until every pair has that.
 */
function placePorts(ports: readonly Omit<PlacedPort, 'x' | 'y'>[]): {
  placed: PlacedPort[];
  needed: number;
} {
  if (ports.length === 0) return { placed: [], needed: 0 };
  const { circles } = enclosingCircle(ports.slice(0, 6).map((p) => SHARED * p.hexagon));
  let spread = 1;
  circles.forEach((c, i) =>
    circles.slice(i + 1).forEach((d, k) => {
      const j = i + 1 + k;
      spread = Math.max(spread, apart(ports[i]!.hexagon, ports[j]!.hexagon) / Math.hypot(c.x - d.x, c.y - d.y));
    }),
  );
  const placed = circles.map((c, i) => ({ ...ports[i]!, x: c.x * spread, y: c.y * spread }));
  const needed = Math.max(...placed.map((p) => 2 * Math.hypot(p.x, p.y) + CORNERS * p.hexagon));
  return { placed, needed };
}

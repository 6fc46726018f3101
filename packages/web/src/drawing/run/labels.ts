import { partName } from '@endrel/core/parts/kinds';
import { wrapName } from '../wrap-name.ts';
import type { Place, RunGeometry, Slot, Wire } from './run-drawing.ts';

/** Where a text begins, ends or has its middle: its baseline there. */
export interface Label {
  readonly at: Place;
  readonly anchor: 'start' | 'middle' | 'end';
}
/** A text that wants a place: the first of these that is free. */
export interface WantedLabel {
  readonly key: string;
  readonly text: string;
  readonly places: readonly Label[];
}
type Box = readonly [left: number, top: number, right: number, bottom: number];

const PER_LETTER = 6.3; // px of a figure at 13 px in the condensed face, its spaces included
const ABOVE = 10; // px of a text above its baseline, and below
const BELOW = 3;
const NAME_LETTER = 5.4; // px at 11.5 px
export const NAME_LINE = 12;
const DROP_NEARER = 0.6; // it is a line only, and the tank’s wall stands near it

/** px beside its middle that a snag's mark stands, so that it covers neither name nor line. */
export const markAt = (slot: Pick<Slot, 'isInTank'>): Place => (slot.isInTank ? [-23, 11] : [-21, -14]);
const MARK = 9.5; // half its width

/** A part's name in the lines in which it is drawn; that of a drop keeps off the line that comes over the lid beside it. */
export const nameLines = (slot: Slot, slotWidth: number): string[] =>
  wrapName(
    partName(slot.part),
    Math.floor(slot.part.kind === 'returnDrop' ? slotWidth / 2 / NAME_LETTER : halfOf(slotWidth) / 2.7),
  );
export const halfOf = (slotWidth: number): number => Math.min(slotWidth, 112) / 2 - 2;

/** Where a part's name stands from the part's middle, its first line's baseline there. */
export function nameAt(slot: Pick<Slot, 'part' | 'x' | 'band' | 'isInTank'>, lines: number, width: number): Label {
  const isAtEdge = slot.x > width - 130;
  const beside = isAtEdge ? ({ x: -14, anchor: 'end' } as const) : ({ x: 14, anchor: 'start' } as const);
  if (slot.band === 'tap') return { at: [beside.x, -8], anchor: beside.anchor };
  // the line comes down into a drop: its name would lie on it
  if (slot.part.kind === 'returnDrop')
    return { at: [beside.x * DROP_NEARER, 4 - (NAME_LINE * (lines - 1)) / 2], anchor: beside.anchor };
  return { at: [0, slot.isInTank ? -20 - NAME_LINE * (lines - 1) : 28], anchor: 'middle' }; // in the tank below is the floor
}

/** What a part's name covers. */
export function nameBox(slot: Slot, { slotWidth, width }: Pick<RunGeometry, 'slotWidth' | 'width'>): Box {
  const lines = nameLines(slot, slotWidth);
  const wide = Math.max(...lines.map((line) => line.length)) * NAME_LETTER;
  const { at, anchor } = nameAt(slot, lines.length, width);
  const left = slot.x + at[0] - (anchor === 'end' ? wide : anchor === 'middle' ? wide / 2 : 0);
  const top = slot.y + at[1] - 9;
  return [left, top, left + wide, top + 12 + NAME_LINE * (lines.length - 1)];
}

export function boxOf(text: string, { at: [x, y], anchor }: Label): Box {
  const width = text.length * PER_LETTER;
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return [left, y - ABOVE, left + width, y + BELOW];
}

export const meet = (a: Box, b: Box): boolean => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3];

const WIDE = new Set(['rail', 'hardLine', 'hose']);

/** What the drawing holds besides the texts that want a place: symbols, marks, names, the tank's own. */
export function obstacles(geometry: RunGeometry): Box[] {
  const { slots, tank, width } = geometry;
  const boxes: Box[] = [[width - 200, 3, width, 18]]; // what the numbers are
  for (const slot of slots) {
    const { x, y, part, open } = slot;
    const half = WIDE.has(part.kind) ? 27 : 17;
    boxes.push([x - half, y - 15, x + half, y + 15]);
    const [mx, my] = markAt(slot);
    boxes.push([x + mx - MARK, y + my - MARK, x + mx + MARK, y + my + MARK]);
    if (open.length > 0) boxes.push([x + 13, y - 18, x + 13 + 9 * open.length, y - 10]);
    boxes.push(nameBox(slot, geometry));
  }
  if (tank) {
    const name = partName(tank.part).length + (tank.isMeasured ? 0 : 24);
    const left = tank.left + (tank.vent ? 38 : 7);
    boxes.push([tank.left, tank.top - 30, left + name * 5.8, tank.top - 3]);
  }
  return boxes;
}

const SHIFTS = [0, -12, 12, -24, 24, -38, 38, -54, 54];

/** Where the pressure of a joint can be written: along its level stretches, over the line or under it. */
export function numberPlaces({ path, number }: Pick<Wire, 'path' | 'number'>): Label[] {
  if (!number) return [];
  const stretches = path
    .slice(1)
    .map((to, i): [Place, Place] => [path[i]!, to])
    .filter(([a, b]) => a[1] === b[1] && Math.abs(a[0] - b[0]) > 30)
    .sort((a, b) => Number(b[0][1] === number[1]) - Number(a[0][1] === number[1]));
  return [-10, 16].flatMap((dy) =>
    stretches.flatMap(([a, b]) => {
      const [low, high] = [Math.min(a[0], b[0]) + 12, Math.max(a[0], b[0]) - 12];
      const middle = a[1] === number[1] ? number[0] : (low + high) / 2;
      return SHIFTS.map((shift) => middle + shift)
        .filter((x) => x >= low && x <= high)
        .map((x): Label => ({ at: [x, a[1] + dy], anchor: 'middle' }));
    }),
  );
}

/**
 * Gives each text the first of its places where it covers nothing and stays on the sheet; one that finds none is left out rather
 * than printed over another.
 */
export function placeLabels(geometry: RunGeometry, wanted: readonly WantedLabel[]): ReadonlyMap<string, Label> {
  const taken = obstacles(geometry);
  const placed = new Map<string, Label>();
  for (const { key, text, places } of wanted) {
    const free = places.find((place) => {
      const box = boxOf(text, place);
      return (
        box[0] >= 0 &&
        box[2] <= geometry.width &&
        box[1] >= 0 &&
        box[3] <= geometry.height &&
        !taken.some((other) => meet(box, other))
      );
    });
    if (!free) continue;
    taken.push(boxOf(text, free));
    placed.set(key, free);
  }
  return placed;
}

/** Places round a part for what passes it, nearest first. */
export const placesAround = ({ x, y }: Pick<Slot, 'x' | 'y'>): Label[] => [
  { at: [x + 20, y + 14], anchor: 'start' },
  { at: [x - 8, y - 22], anchor: 'start' },
  { at: [x - 6, y - 22], anchor: 'end' },
  { at: [x, y - 24], anchor: 'middle' },
  { at: [x + 20, y - 18], anchor: 'start' },
  { at: [x - 34, y + 14], anchor: 'end' },
  { at: [x, y - 36], anchor: 'middle' },
  { at: [x, y + 52], anchor: 'middle' },
  { at: [x + 20, y + 28], anchor: 'start' },
  { at: [x, y - 52], anchor: 'middle' },
];

import { mm } from '../units/quick.ts';
import { add, cross, dot, sub, times, unit, type Vec } from './vector.ts';

/** The stiff part of a hose at one end: straight out of the port, round, straight again into the hose. SI. */
export interface HoseEndForm {
  /** By which it turns, rad. */
  readonly angle: number;
  readonly leg1: number;
  /** Of its middle. */
  readonly radius: number;
  readonly leg2: number;
  /** How far the hose reaches into it, beyond where it begins to bend. */
  readonly inserted: number;
}

/** A port that a hose end is screwed to: where its seat is, which way it points, and where clocking begins, across that. */
export interface Seat {
  readonly at: Vec;
  readonly out: Vec;
  readonly zero: Vec;
}

const UP: Vec = [0, 0, 1];
const REARWARD: Vec = [1, 0, 0];
const LEVEL = 0.999; // of 1: what points up or down has no "straight up" across it

/** Where clocking begins: straight up, or rearward where the port itself points up or down. */
export function clockZero(out: Vec): Vec {
  const towards = Math.abs(dot(out, UP)) > LEVEL ? REARWARD : UP;
  return unit(sub(towards, times(dot(towards, out), out)));
}
export const seatOf = ({ at, out }: { readonly at: Vec; readonly out: Vec }): Seat => ({
  at,
  out,
  zero: clockZero(out),
});

/** A typical hose end of a dash size, by the angle that it turns, from memory: verify against the part's data sheet. */
export const usualHoseEnd = (dash: number, angle: number): HoseEndForm => ({
  angle,
  leg1: mm(16 + (4 / 3) * dash),
  radius: angle === 0 ? 0 : mm((14 / 3) * dash),
  leg2: mm(18 + 2 * dash),
  inserted: mm(10 + 1.5 * dash),
});

/** A hose pushed over a barb or a bead: it bends from there on. Common practice: 25 mm of it are on. */
export const PUSHED_ON: HoseEndForm = { angle: 0, leg1: 0, radius: 0, leg2: 0, inserted: mm(25) };

/** Across the port, the way that an end clocked so turns to: about the port's axis by the right hand, clockwise looking out of it. */
const sideways = (out: Vec, zero: Vec, clock: number): Vec =>
  add(times(Math.cos(clock), zero), times(Math.sin(clock), cross(out, zero)));

/** Where the hose begins to bend, and the way it goes there. */
export function hoseStart(seat: Seat, form: HoseEndForm, clock: number): { readonly at: Vec; readonly dir: Vec } {
  const { angle, leg1, radius, leg2 } = form;
  const w = sideways(seat.out, seat.zero, clock);
  const dir = add(times(Math.cos(angle), seat.out), times(Math.sin(angle), w));
  const along = leg1 + radius * Math.sin(angle);
  const aside = radius * (1 - Math.cos(angle));
  return { at: add(add(add(seat.at, times(along, seat.out)), times(aside, w)), times(leg2, dir)), dir };
}

const FINE = 0.1; // rad between places of an arc

/** The middle of the stiff part, from the seat to where the hose begins to bend. */
export function hoseEndPath(seat: Seat, form: HoseEndForm, clock: number): Vec[] {
  const { angle, leg1, radius } = form;
  const start = hoseStart(seat, form, clock).at;
  if (angle === 0) return leg1 + form.leg2 > 0 ? [seat.at, start] : [seat.at];
  const w = sideways(seat.out, seat.zero, clock);
  const steps = Math.ceil(angle / FINE);
  const arc = Array.from({ length: steps + 1 }, (_, i): Vec => {
    const a = (angle * i) / steps;
    return add(seat.at, add(times(leg1 + radius * Math.sin(a), seat.out), times(radius * (1 - Math.cos(a)), w)));
  });
  return [seat.at, ...arc, start];
}

/** Length of its middle, m. */
export const lengthOfEnd = ({ angle, leg1, radius, leg2 }: HoseEndForm): number => leg1 + radius * angle + leg2;

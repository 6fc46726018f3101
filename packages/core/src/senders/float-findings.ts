import type { Gauge } from '../job/gauge.ts';
import { gaugeProperties } from '../job/gauge.ts';
import { sectionCut } from '../tanks/section-cut.ts';
import { solidMesh } from '../tanks/solid.ts';
import type { Tank } from '../tanks/surveyed-tank.ts';
import { arcClearance, type ArcClearance, type Obstacle } from './arc-clearance.ts';
import { armRange, solveArm, solveBend, type ArmFault, type FloatArm } from './float-arm.ts';
import type { PartOf } from '../parts/kinds.ts';
import type { Job } from '../job/job.ts';

/** The float arm as fitted, and what it ought to be. Heights above the tank floor, m. */
export interface FloatFindings {
  /** As measured; absent while arm, pivot or stop angles are not. */
  readonly arm?: FloatArm;
  readonly range?: { readonly low: number; readonly high: number };
  /** Arm length and pivot that read the wanted heights at both stops; or why none does. */
  readonly wanted?: { ok: true; arm: FloatArm } | { ok: false; fault: ArmFault };
  /** The same with the pivot left where it is and the rod bent. */
  readonly bent?: { ok: true; arm: FloatArm; bend: number } | { ok: false; fault: ArmFault };
  readonly clearance?: ArcClearance;
  /** Where it is not clear: sides to which the same arm would swing with room to spare. */
  readonly clearSides: readonly ArmSide[];
}
export type ArmSide = NonNullable<Gauge['armSide']>;
const isClear = ({ meets, nearest }: ArcClearance): boolean => !meets && (!nearest || nearest.gap >= nearest.room);
const sides: readonly ArmSide[] = ['forward', 'back', 'left', 'right'];

/** The section that the arm swings in: which axis is cut, where, and which way the arm points. */
export function armSection(gauge: Gauge): { axis: 0 | 1; place: number; pivotAlong: number; side: 1 | -1 } {
  const [forward, left] = [gauge.pivotForward?.si ?? 0, gauge.pivotLeft?.si ?? 0];
  const along = gauge.armSide === 'left' || gauge.armSide === 'right';
  return {
    axis: along ? 0 : 1,
    place: along ? forward : left,
    pivotAlong: along ? left : forward,
    side: gauge.armSide === 'back' || gauge.armSide === 'right' ? -1 : 1,
  };
}

/** @param drop - the tube by which the first return ends in the tank. */
export function floatFindings(
  job: Pick<Job, 'gauge' | 'hanger' | 'survey'>,
  tank: Tank | undefined,
  drop: PartOf<'returnDrop'> | undefined,
): FloatFindings | undefined {
  const gauge = job.gauge;
  if (!gauge || Object.keys(gauge).length === 0) return undefined;
  const { armLength, pivotHeight, stopDown, stopUp, wantLow, wantHigh } = gauge;
  const angles = stopDown && stopUp && { down: -stopDown.si, up: stopUp.si };
  const arm =
    armLength && pivotHeight && (angles ?? anglesOfHeights(gauge))
      ? { pivot: pivotHeight.si, length: armLength.si, ...(angles ?? anglesOfHeights(gauge)!) }
      : undefined;
  const radius = gauge.floatRadius?.si ?? gaugeProperties.floatRadius.typical!.si;
  const clearance = arm && tank ? clearanceOf(job, drop, tank, arm, radius, gauge) : undefined;
  return {
    arm,
    range: arm && armRange(arm),
    wanted: angles && wantLow && wantHigh ? solveArm(wantLow.si, wantHigh.si, angles.down, angles.up) : undefined,
    bent:
      angles && wantLow && wantHigh && pivotHeight
        ? solveBend(wantLow.si, wantHigh.si, angles.down, angles.up, pivotHeight.si)
        : undefined,
    clearance,
    clearSides:
      clearance && !isClear(clearance)
        ? sides.filter((armSide) => isClear(clearanceOf(job, drop, tank!, arm!, radius, { ...gauge, armSide })))
        : [],
  };
}

/** Stop angles from the float's measured heights, when the angles themselves were not taken. */
function anglesOfHeights({ armLength, pivotHeight, floatLow, floatHigh }: Gauge) {
  if (!armLength || !pivotHeight || !floatLow || !floatHigh) return undefined;
  const angle = (height: number) => Math.asin((height - pivotHeight.si) / armLength.si);
  const [down, up] = [angle(Math.min(floatLow.si, floatHigh.si)), angle(Math.max(floatLow.si, floatHigh.si))];
  return Number.isNaN(down) || Number.isNaN(up) ? undefined : { down, up };
}

type Drop = PartOf<'returnDrop'> | undefined;
type Stands = Pick<Job, 'hanger' | 'survey'>;

function clearanceOf(job: Stands, drop: Drop, tank: Tank, arm: FloatArm, radius: number, gauge: Gauge): ArcClearance {
  const { axis, place, pivotAlong, side } = armSection(gauge);
  return arcClearance(arm, pivotAlong, side, radius, sectionObstacles(job, tank, axis, place, drop));
}

const WALL = 'the tank wall';
const FLOOR = 'the tank’s floor or roof';
export const isShell = (obstacle: Obstacle): boolean => obstacle.name === WALL || obstacle.name === FLOOR;
const SIDE_ROOM = 0.005; // m beside a float, common practice

/** Walls, baffles, pumps and return drop as they stand in a section. */
export function sectionObstacles(job: Stands, tank: Tank, axis: 0 | 1, place: number, drop?: Drop): Obstacle[] {
  const obstacles: Obstacle[] = [];
  const upright = (name: string, along: number, low: number, high: number) =>
    obstacles.push({
      name,
      room: SIDE_ROOM,
      line: [
        [along, low],
        [along, high],
      ],
    });
  if (tank.solids)
    for (const loop of tank.solids.flatMap((solid) => sectionCut(solidMesh(solid), axis, place)))
      loop.forEach((from, i) => {
        const to = loop[(i + 1) % loop.length]!;
        const level = Math.abs(from[1] - to[1]) < SAME;
        obstacles.push({ name: level ? FLOOR : WALL, room: level ? 0 : SIDE_ROOM, line: [from, to] });
      });
  const walls = withoutInnerWalls(obstacles);
  obstacles.length = 0;
  for (const baffle of job.survey.tank.baffles ?? []) {
    // only a baffle that stands across the section is cut by it
    if (!baffle.place || (baffle.across === 'across') === (axis === 0)) continue;
    upright(baffle.label ?? 'a baffle', baffle.place.si, baffle.opening?.si ?? 0, baffle.top?.si ?? tank.top);
  }
  const hanger = job.hanger;
  const at = (forward?: number, left?: number) =>
    axis === 0 ? { along: left, off: forward } : { along: forward, off: left };
  if (hanger?.bodies?.length && hanger.openingDiameter) {
    const middle = at(hanger.openingForward?.si ?? 0, hanger.openingLeft?.si ?? 0);
    const reach = Math.max(...hanger.bodies.map((b) => b.diameter?.si ?? 0)) / 2;
    if (reach > 0 && Math.abs(middle.off! - place) < reach)
      for (const edge of [-reach, reach]) upright('the pump', middle.along! + edge, tank.bottom, tank.top);
  }
  if (hanger?.returnForward || hanger?.returnLeft) {
    const spot = at(hanger.returnForward?.si ?? 0, hanger.returnLeft?.si ?? 0);
    const bore = drop?.bore?.si ?? 0;
    if (Math.abs(spot.off! - place) < bore)
      upright('the return drop', spot.along!, drop?.endHeight?.si ?? tank.bottom, tank.top);
  }
  return [...walls, ...obstacles];
}

/** Lines that lie on each other in opposite senses are openings between two parts of the tank, not walls. */
function withoutInnerWalls(walls: readonly Obstacle[]): Obstacle[] {
  return walls.flatMap((wall, i): Obstacle[] => {
    const [a, b] = wall.line;
    // upright walls are held against upright ones, level ones against level ones; slanting ones stand as they are
    const fixed = ([0, 1] as const).find((k) => Math.abs(a[k] - b[k]) < SAME);
    if (fixed === undefined) return [wall];
    const along = fixed === 0 ? 1 : 0;
    let open: [number, number][] = [[Math.min(a[along], b[along]), Math.max(a[along], b[along])]];
    walls.forEach(({ line: [c, d] }, j) => {
      if (j === i || Math.abs(c[fixed] - d[fixed]) > SAME || Math.abs(c[fixed] - a[fixed]) > SAME) return;
      if (Math.sign(d[along] - c[along]) === Math.sign(b[along] - a[along])) return;
      const [low, high] = [Math.min(c[along], d[along]), Math.max(c[along], d[along])];
      open = open.flatMap(([from, to]): [number, number][] => [
        ...(low > from ? [[from, Math.min(to, low)] as [number, number]] : []),
        ...(high < to ? [[Math.max(from, high), to] as [number, number]] : []),
      ]);
    });
    const point = (v: number): readonly [number, number] => (fixed === 0 ? [a[0], v] : [v, a[1]]);
    return open.flatMap(([from, to]) => (to - from > SAME ? [{ ...wall, line: [point(from), point(to)] }] : []));
  });
}
const SAME = 1e-6; // m

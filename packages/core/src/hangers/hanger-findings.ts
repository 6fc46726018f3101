import { mm } from '../units/quick.ts';
import type { Fuel } from '../fluids/fuel.ts';
import type { Hanger } from '../job/hanger.ts';
import { hangerProperties } from '../job/hanger.ts';
import type { Job } from '../job/job.ts';
import { tankValue, type SurveyedTank } from '../job/tank.ts';
import type { Liquid } from '../hydraulics/network.ts';
import { orificeFlow } from '../hydraulics/orifice.ts';
import { STANDARD_GRAVITY } from '../hydraulics/network.ts';
import type { PartOf } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import type { RunSolution } from '../run/solve-run.ts';
import { secondsOf } from '../run/swirl-pot.ts';
import { compartments, type Compartment, type CompartmentKey } from '../tanks/compartments.ts';
import { floorUnder } from '../tanks/floor-under.ts';
import { levelPlane } from '../meshes/fuel-plane.ts';
import { meshBounds, meshVolume, type Place } from '../meshes/mesh.ts';
import { leftAtPickup } from '../tanks/pickup.ts';
import { solidMesh } from '../tanks/solid.ts';
import type { Tank } from '../tanks/surveyed-tank.ts';
import { openingFit, type OpeningFit } from './opening-fit.ts';
import { ringPlate, type RingPlate } from './ring-plate.ts';
import type { SiphonFindings } from './siphon.ts';
import { siphonOf } from './siphon-of-job.ts';
import { standIn, type HangerStand } from './stack-height.ts';
import { hangerTubes, type HangerTube } from './hanger-tubes.ts';
import { oringGroove, type OringGroove } from './oring-groove.ts';
import { sockAdapter, type SockAdapter } from './sock-adapter.ts';
import { stripOrder, type StripOrder } from './strip-order.ts';
import { tiltIn, type Passage, type TiltIn } from './tilt-in.ts';

/** Everything computed about the hanger. What an absent measurement would decide is absent. */
export type HangerFindings = HangerInTank & HangerFlows;

/** Where the hanger stands, how it goes in, and what it leaves: no flow decides these. */
export interface HangerInTank {
  readonly stand?: HangerStand;
  readonly opening?: OpeningFit;
  readonly tilt?: TiltIn & { readonly length: number; readonly width: number; readonly passage: Passage };
  readonly strip?: StripOrder;
  readonly plate?: RingPlate;
  readonly groove?: OringGroove;
  readonly tubes: readonly HangerTube[];
  readonly adapter?: SockAdapter;
  /** It is to stand in a sump that does not lie under its opening. */
  readonly missesSump: boolean;
  readonly pickup?: PickupFindings;
}
/** What flows through it. */
export interface HangerFlows {
  readonly bucket?: BucketFindings;
  readonly back?: ReturnFindings;
  readonly siphon?: SiphonFindings;
}
export interface PickupFindings {
  readonly place: Place;
  /** m3 left on level ground when it uncovers, and the tank's when filled less that. */
  readonly left: number;
  readonly usable: number;
  /** The same down to the bucket's inlet. */
  readonly leftWithBucket?: number;
  /** m3 that stay behind sills (a far lobe, a dammed baffle) on level ground, and where. */
  readonly stranded: readonly {
    readonly part: CompartmentKey;
    readonly volume: number;
    readonly withoutSiphon?: number;
    readonly withSiphon?: number;
  }[];
  /** Whether the siphon's far pickup stands in the lobe that it is to empty; absent without a siphon. */
  readonly siphonReaches?: boolean;
  /** The lobe that the return ends in, where the pickup does not drink from it. */
  readonly returnBehind?: CompartmentKey;
  /** How far the floor under it lies above the lowest floor it could reach, and what lies below it there. */
  readonly aboveLowest?: number;
  readonly belowIt?: number;
}
export interface BucketFindings {
  /** s of full load that it holds with nothing flowing in: what comes back into it counts. */
  readonly seconds?: number;
  /** m3/s that flow in at the level it must still run at, and must. */
  readonly refill?: number;
  readonly needed?: number;
  /** Bore of an inlet that lets it in, with a tenth in hand, in whole millimetres, m; absent while the present one does. */
  readonly wanted?: number;
}
export interface ReturnFindings {
  readonly end: number;
  /** From the pickup, in space. */
  readonly distance?: number;
  /** Fuel over its end at the level it must still run at; negative: it falls through air. */
  readonly submersion: number;
  /** Length of the drop tube under the plate. */
  readonly tube?: number;
}

export interface Known {
  readonly solution?: RunSolution;
  readonly demand?: number;
  readonly liquid?: Liquid;
  readonly fuel?: Fuel;
}

/** Place of the pickup in the tank's axes; undefined while the hanger's height is unknown. */
export function pickupPlace(hanger: Hanger, tank: Pick<SurveyedTank, 'depth' | 'sumpDepth'>): Place | undefined {
  const stand = standIn(hanger, tank);
  return stand && [hanger.openingForward?.si ?? 0, hanger.openingLeft?.si ?? 0, stand.pickup];
}

/** Where a siphon draws from; undefined while there is none. */
export const farPickupPlace = (hanger: Hanger): Place | undefined =>
  hanger.jetDrill && hanger.farHeight ? farPlace(hanger) : undefined;
const farPlace = ({ farHeight, farForward, farLeft }: Hanger): Place => [
  farForward?.si ?? 0,
  farLeft?.si ?? 0,
  farHeight!.si,
];

export function hangerInTank(job: Job, tank: Tank | undefined): HangerInTank {
  const hanger = job.hanger ?? {};
  const depth = job.survey.tank.depth?.si;
  const stand = standIn(hanger, job.survey.tank);
  const plate = ringPlate(hanger);
  const place = pickupPlace(hanger, job.survey.tank);
  const parts = tank && place ? compartments(tank, job.survey.tank, place, farPickupPlace(hanger)) : [];
  return {
    stand,
    opening: openingFit(hanger),
    tilt: tiltOf(hanger, depth, tank, place),
    strip: stripOrder(hanger),
    plate,
    groove: oringGroove(hanger, plate),
    tubes: hangerTubes(hanger, stand),
    adapter: sockAdapter(hanger),
    missesSump: missesSump(job),
    pickup: place && tank && parts.length > 0 ? pickupFindings(job, hanger, tank, parts, place) : undefined,
  };
}

export function hangerFlows(job: Job, known: Known): HangerFlows {
  const hanger = job.hanger ?? {};
  return {
    bucket: hanger.bucket ? bucketFindings(hanger, known) : undefined,
    back: returnFindings(job, hanger, standIn(hanger, job.survey.tank), pickupPlace(hanger, job.survey.tank)),
    siphon: siphonOf(job, known.fuel, known.solution),
  };
}

/** A hanger that is to stand in the sump has to hang over it. */
function missesSump({ hanger, survey: { tank } }: Job): boolean {
  if (!hanger?.intoSump) return false;
  if (!tank.sumpLength || !tank.sumpWidth || !tank.sumpDepth) return true;
  const off = (at: number | undefined, middle: number | undefined, size: number) =>
    Math.abs((at ?? 0) - (middle ?? 0)) > size / 2;
  return (
    off(hanger.openingForward?.si, tank.sumpForward?.si, tank.sumpLength.si) ||
    off(hanger.openingLeft?.si, tank.sumpLeft?.si, tank.sumpWidth.si)
  );
}

function tiltOf(hanger: Hanger, depth: number | undefined, tank: Tank | undefined, place: Place | undefined) {
  const { stiffLength, stiffWidth, openingDiameter } = hanger;
  if (!stiffLength || !stiffWidth || !openingDiameter || depth === undefined) return undefined;
  const passage: Passage = {
    hole: Math.max(0, openingDiameter.si - 2 * (hanger.lip?.si ?? 0)),
    edge: hanger.wallThickness?.si ?? hangerProperties.wallThickness.typical!.si,
    depth,
    reach: hanger.reach?.si ?? sideRoom(tank, place) ?? depth,
    headroom: hanger.headroom?.si ?? Infinity,
  };
  return { ...tiltIn(stiffLength.si, stiffWidth.si, passage), length: stiffLength.si, width: stiffWidth.si, passage };
}

/** The roomiest way to a wall from under the opening. */
function sideRoom(tank: Tank | undefined, place: Place | undefined): number | undefined {
  if (!tank?.solids || !place) return undefined;
  const reach = tank.solids.map((solid) => {
    const { least, most } = meshBounds(solidMesh(solid));
    return place[0] >= least[0] && place[0] <= most[0] ? Math.max(place[0] - least[0], most[0] - place[0]) : 0;
  });
  return Math.max(...reach) || undefined;
}

function pickupFindings(
  job: Job,
  hanger: Hanger,
  tank: Tank,
  parts: readonly Compartment[],
  place: Place,
): PickupFindings {
  const filled = tank.full * tankValue(job.survey.tank, 'fillShare');
  const left = Math.min(...pickupPoints(hanger, place).map((p) => leftAtPickup(parts, tank.porosity, p)));
  const inlet = hanger.bucketInlet?.si ?? hangerProperties.bucketInlet.typical!.si;
  const near = parts.filter((p) => !p.sill);
  const level = levelPlane(place[2]);
  const without = farPickupPlace(hanger) && compartments(tank, job.survey.tank, place);
  const behind = (part: Compartment) => tank.porosity * meshVolume(part.mesh, levelPlane(part.sill![2]));
  // what would stay with a siphon whose jet is not drilled yet
  const far: Place | undefined = !without && hanger.farHeight ? farPlace(hanger) : undefined;
  const withOne = far && compartments(tank, job.survey.tank, place, far);
  const stranded = parts.flatMap((part, i) =>
    part.sill && (part.sill[2] > place[2] || without)
      ? [
          {
            part: part.key,
            volume: behind(part),
            withoutSiphon: without?.[i]?.sill && behind(without[i]),
            withSiphon: withOne?.[i]?.sill && behind(withOne[i]),
          },
        ]
      : [],
  );
  const floor = near[0] && floorUnder(near[0].mesh, place[0], place[1]);
  const lowest = near[0] && meshBounds(near[0].mesh).least[2];
  return {
    place,
    left,
    usable: Math.max(0, filled - left),
    leftWithBucket: hanger.bucket ? leftAtPickup(parts, tank.porosity, [place[0], place[1], inlet]) : undefined,
    stranded,
    siphonReaches: siphonReaches(parts, farPickupPlace(hanger)),
    returnBehind: returnBehind(parts, hanger),
    aboveLowest: floor === undefined || lowest === undefined ? undefined : floor - lowest,
    belowIt: near[0] && tank.porosity * meshVolume(near[0].mesh, level),
  };
}

/** Where fuel is drawn: at the sock, or at whatever corner of a mat is still wet. */
export function pickupPoints({ pickupKind, matLength, matWidth }: Hanger, [x, y, z]: Place): Place[] {
  if (pickupKind !== 'mat' || !matLength || !matWidth) return [[x, y, z]];
  const [dx, dy] = [matLength.si / 2, matWidth.si / 2];
  return [
    [x - dx, y - dy, z],
    [x - dx, y + dy, z],
    [x + dx, y - dy, z],
    [x + dx, y + dy, z],
  ];
}

/** The far lobe is over the far pickup. Undefined without a siphon or a far lobe. */
function siphonReaches(parts: readonly Compartment[], far: Place | undefined): boolean | undefined {
  const lobe = parts.find((p) => p.sill && p.key.endsWith('lobe'));
  return far && lobe && floorUnder(lobe.mesh, far[0], far[1]) !== undefined;
}

/** Which part behind a sill the return's end stands over, where it was measured. */
function returnBehind(
  parts: readonly Compartment[],
  { returnForward, returnLeft }: Hanger,
): CompartmentKey | undefined {
  if (!returnForward && !returnLeft) return undefined;
  const over = (part: Compartment) => floorUnder(part.mesh, returnForward?.si ?? 0, returnLeft?.si ?? 0) !== undefined;
  return parts.some((p) => !p.sill && over(p)) ? undefined : parts.find((p) => p.sill && over(p))?.key;
}

function bucketFindings(hanger: Hanger, { demand, solution, liquid }: Known): BucketFindings {
  const full = solution?.points.fullLoad;
  const drawn = full && (full.pot?.lift ?? full.pumpFlow);
  const back = hanger.returnIntoBucket && full && !full.pot ? full.returnFlow : 0;
  const seconds =
    hanger.bucketVolume && drawn !== undefined ? secondsOf(hanger.bucketVolume.si, drawn - back) : undefined;
  const bore = hanger.bucketInletBore?.si;
  const inlet = hanger.bucketInlet?.si ?? hangerProperties.bucketInlet.typical!.si;
  const level = hanger.reserveLevel?.si ?? hangerProperties.reserveLevel.typical!.si;
  const refill =
    bore !== undefined && liquid
      ? orificeFlow(liquid.density * STANDARD_GRAVITY * (level - inlet), bore, 'sharp', liquid.density)
      : undefined;
  // what comes back into the bucket need not flow in again
  const needed = hanger.returnIntoBucket ? demand : (drawn ?? demand);
  const wanted =
    bore !== undefined && refill !== undefined && needed !== undefined ? widerInlet(bore, refill, needed) : undefined;
  return { seconds: Number.isFinite(seconds) ? seconds : undefined, refill, needed, ...(wanted ? { wanted } : {}) };
}

const IN_HAND = 1.1; // over the bore that just passes it, common practice

/** Flow goes with the area. */
function widerInlet(bore: number, refill: number, needed: number): number | undefined {
  if (!(refill > 0) || refill >= needed) return undefined;
  return mm(Math.ceil((bore * Math.sqrt(needed / refill) * IN_HAND) / mm(1)));
}

function returnFindings(
  job: Job,
  hanger: Hanger,
  stand: HangerStand | undefined,
  place: Place | undefined,
): ReturnFindings | undefined {
  const drop = returnDropOf(job);
  const end = drop?.endHeight?.si;
  if (end === undefined) return undefined;
  const level = hanger.reserveLevel?.si ?? hangerProperties.reserveLevel.typical!.si;
  const placed = hanger.returnForward !== undefined || hanger.returnLeft !== undefined;
  return {
    end,
    submersion: level - end,
    tube: stand && stand.plateSeated - end,
    distance:
      place && placed
        ? Math.hypot(
            (hanger.returnForward?.si ?? 0) - place[0],
            (hanger.returnLeft?.si ?? 0) - place[1],
            end - place[2],
          )
        : drop?.pickupDistance?.si,
  };
}

/** The tube by which the first return ends in the tank. */
export const returnDropOf = (job: Job): PartOf<'returnDrop'> | undefined =>
  circuitsOf(job).parts.find((p): p is PartOf<'returnDrop'> => p.kind === 'returnDrop');

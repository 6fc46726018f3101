import type { SurveyedTank } from '../job/tank.ts';
import type { FuelPlane } from '../meshes/fuel-plane.ts';
import { joinMeshes, meshVolume, type Mesh, type Place } from '../meshes/mesh.ts';
import { solidMesh, type Solid } from './solid.ts';
import type { Tank } from './surveyed-tank.ts';

/** All of a tank, a lobe of it, or what lies behind a baffle, by the baffle’s id. */
export type CompartmentKey = 'tank' | 'left lobe' | 'right lobe' | `behind:${string}`;

/** “right lobe”, “behind the swirl wall” */
export function compartmentName({ baffles }: Pick<SurveyedTank, 'baffles'>, key: CompartmentKey): string {
  if (!key.startsWith('behind:')) return key;
  const baffle = baffles?.find((b) => `behind:${b.id}` === key);
  return `behind ${baffle?.label?.trim() || 'the baffle'}`;
}

/** A part of a tank that keeps its fuel once the level has fallen below a sill. */
export interface Compartment {
  readonly key: CompartmentKey;
  /** Open where vertical walls cut it: columns of fuel do not mind. */
  readonly mesh: Mesh;
  /** Fuel leaves it over this point; absent for the one that the pickup stands in. */
  readonly sill?: Place;
}

const DAM = 1e-6; // m; an opening this low dams nothing

/**
 * The tank divided by its bridge and by baffles that dam, as seen from the pickup.
 *
 * @param farPickup - of a siphon: the far lobe then empties down to it instead of to the bridge's floor.
 */
export function compartments(tank: Tank, survey: SurveyedTank, pickup: Place, farPickup?: Place): Compartment[] {
  if (!tank.solids) return [];
  let list: Compartment[] =
    survey.shape === 'saddle'
      ? lobes(tank.solids, survey, pickup, farPickup)
      : [{ key: 'tank', mesh: wholeMesh(tank.solids) }];
  for (const baffle of survey.baffles ?? []) {
    const [place, opening] = [baffle.place?.si, baffle.opening?.si];
    if (place === undefined || opening === undefined || opening <= DAM || !baffle.across) continue;
    const axis = baffle.across === 'across' ? 0 : 1;
    const pickupSide = pickup[axis] >= place;
    const sill: Place = axis === 0 ? [place, pickup[1], opening] : [pickup[0], place, opening];
    list = list.flatMap((part): Compartment[] => {
      const [near, far] = [halfMesh(part.mesh, axis, place, pickupSide), halfMesh(part.mesh, axis, place, !pickupSide)];
      return [
        { ...part, mesh: near },
        // what is dammed twice leaves over the higher sill
        {
          key: `behind:${baffle.id}`,
          mesh: far,
          sill: part.sill && part.sill[2] > opening ? part.sill : sill,
        },
      ];
    });
  }
  return list.filter((part) => part.mesh.corners.length > 0);
}

const wholeMesh = (solids: readonly Solid[]): Mesh => joinMeshes(solids.map(solidMesh));

function lobes(solids: readonly Solid[], survey: SurveyedTank, pickup: Place, farPickup?: Place): Compartment[] {
  const near = pickup[1] >= 0 ? 'left lobe' : 'right lobe';
  const half = (survey.bridgeWidth!.si / 2) * (pickup[1] >= 0 ? -1 : 1);
  const far = solids.filter((s) => s.name !== near && s.name !== 'bridge');
  return [
    { key: near, mesh: wholeMesh(solids.filter((s) => !far.includes(s))) },
    {
      key: far[0]!.name as CompartmentKey,
      mesh: wholeMesh(far),
      sill: farPickup ?? [pickup[0], half, survey.bridgeFloor!.si],
    },
  ];
}

/** Triangles on one side of an upright plane across x (axis 0) or y (axis 1). */
export function halfMesh({ corners }: Mesh, axis: 0 | 1, place: number, upper: boolean): Mesh {
  const kept: number[] = [];
  for (let t = 0; t < corners.length; t += 9) {
    const polygon: Place[] = [];
    for (let i = 0; i < 3; i++) {
      const a = corners.subarray(t + 3 * i, t + 3 * i + 3) as unknown as Place;
      const b = corners.subarray(t + 3 * ((i + 1) % 3), t + 3 * ((i + 1) % 3) + 3) as unknown as Place;
      const [da, db] = [a[axis] - place, b[axis] - place].map((d) => (upper ? d : -d)) as [number, number];
      if (da >= 0) polygon.push([a[0], a[1], a[2]]);
      if (da < 0 !== db < 0 && da !== 0 && db !== 0) {
        const s = da / (da - db);
        polygon.push([a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1]), a[2] + s * (b[2] - a[2])]);
      }
    }
    for (let k = 1; k + 1 < polygon.length; k++) kept.push(...polygon[0]!, ...polygon[k]!, ...polygon[k + 1]!);
  }
  return { corners: Float64Array.from(kept) };
}

/** A plane of the same tilt through a point. */
export const planeThrough = ([x, y, z]: Place, slopeX: number, slopeY: number): FuelPlane => ({
  height: z - slopeX * x - slopeY * y,
  slopeX,
  slopeY,
});

/** What stays in each compartment when the fuel has fallen to a plane, m3: at its sill where that stands higher. */
export function leftBelow(parts: readonly Compartment[], plane: FuelPlane): number[] {
  return parts.map(({ mesh, sill }) => {
    const atSill = sill && planeThrough(sill, plane.slopeX, plane.slopeY);
    return meshVolume(mesh, atSill && atSill.height > plane.height ? atSill : plane);
  });
}

import { boxVolume } from './box-volume.ts';
import { cylinderVolume } from './cylinder-volume.ts';
import { cylinderMesh, extrudedMesh } from './extrude.ts';
import type { FuelPlane } from '../meshes/fuel-plane.ts';
import { meshVolumes, type Mesh } from '../meshes/mesh.ts';

type Span = readonly [from: number, to: number];

/** A part of a tank in its own axes: x forward, y left, z up, m. Parts of one tank do not overlap. */
export type Solid =
  | { readonly kind: 'box'; readonly name: string; readonly x: Span; readonly y: Span; readonly z: Span }
  | {
      readonly kind: 'cylinder';
      readonly name: string;
      readonly x: Span;
      readonly centreY: number;
      readonly centreZ: number;
      readonly radius: number;
    }
  | { readonly kind: 'mesh'; readonly name: string; readonly mesh: Mesh };

/** Volumes below a plane raised by each offset (ascending, m), m3. Boxes and flat-ended cylinders in closed form. */
export function solidVolumes(solid: Solid, plane: FuelPlane, offsets: readonly number[]): number[] {
  if (solid.kind === 'mesh') return meshVolumes(solid.mesh, plane, offsets);
  return offsets.map((offset) => {
    const raised = { ...plane, height: plane.height + offset };
    return solid.kind === 'box' ? boxVolume(solid.x, solid.y, solid.z, raised) : cylinderVolume(solid, raised);
  });
}

export const solidVolume = (solid: Solid, plane: FuelPlane): number => solidVolumes(solid, plane, [0])[0]!;

/** The solid as triangles, for drawing and cutting. A cylinder's are 96 facets of its own area. */
export function solidMesh(solid: Solid): Mesh {
  switch (solid.kind) {
    case 'mesh':
      return solid.mesh;
    case 'cylinder':
      return cylinderMesh(solid);
    case 'box': {
      const [y1, y2] = solid.y;
      const [z1, z2] = solid.z;
      return extrudedMesh(
        [
          [y1, z1],
          [y2, z1],
          [y2, z2],
          [y1, z2],
        ],
        solid.x,
      );
    }
  }
}

import { degrees } from '../units/quick.ts';
import { fuelPlane } from '../meshes/fuel-plane.ts';
import { solidVolumes } from './solid.ts';
import type { Tank } from './surveyed-tank.ts';

/** Strapping tables of a tank at several attitudes. Levels at the middle of its footprint, m; volumes m3. */
export interface AttitudeTables {
  readonly levels: readonly number[];
  readonly attitudes: readonly { readonly pitch: number; readonly roll: number; readonly volumes: readonly number[] }[];
}

const TILTS = [-10, -5, 0, 5, 10].map(degrees);

/**
 * Tables at five pitches by five rolls up to 10°.
 *
 * @param onAttitude - told the share done after each; false, or a promise of it, stops, and no tables are made.
 */
export async function attitudeTables(
  tank: Tank,
  count: number,
  onAttitude: (share: number) => boolean | Promise<boolean>,
): Promise<AttitudeTables | undefined> {
  if (!tank.solids) return undefined;
  const levels = Array.from({ length: count }, (_, i) => tank.bottom + ((i + 1) / count) * (tank.top - tank.bottom));
  const attitudes: { pitch: number; roll: number; volumes: number[] }[] = [];
  for (const pitch of TILTS)
    for (const roll of TILTS) {
      const plane = fuelPlane(0, pitch, roll);
      const parts = tank.solids.map((solid) => solidVolumes(solid, plane, levels));
      attitudes.push({
        pitch,
        roll,
        volumes: levels.map((_, i) => tank.porosity * parts.reduce((sum, p) => sum + p[i]!, 0)),
      });
      if (!(await onAttitude(attitudes.length / TILTS.length ** 2))) return undefined;
    }
  return { levels, attitudes };
}

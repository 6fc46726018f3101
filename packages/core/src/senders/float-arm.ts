/** A float arm on its pivot. Heights above the tank floor, m; angles from level, rad, up positive. */
export interface FloatArm {
  readonly pivot: number;
  readonly length: number;
  /** Angles at the bottom and top stops, bottom first. */
  readonly down: number;
  readonly up: number;
}

export const heightAt = ({ pivot, length }: Pick<FloatArm, 'pivot' | 'length'>, angle: number): number =>
  pivot + length * Math.sin(angle);

/** Heights of the float at its stops. */
export const armRange = (arm: FloatArm): { low: number; high: number } => ({
  low: heightAt(arm, arm.down),
  high: heightAt(arm, arm.up),
});

export type ArmFault =
  | { code: 'noSweep' } // both stops at one height: no arm gives a range
  | { code: 'rangeFalls' }; // the wanted top lies below the wanted bottom

/**
 * Arm length and pivot height that put the float at the wanted heights at both stops, the sender's own stop angles kept.
 *
 * high − low = length (sin up − sin down); pivot = low − length sin down.
 */
export function solveArm(
  low: number,
  high: number,
  down: number,
  up: number,
): { ok: true; arm: FloatArm } | { ok: false; fault: ArmFault } {
  if (!(high > low)) return { ok: false, fault: { code: 'rangeFalls' } };
  const sweep = Math.sin(up) - Math.sin(down);
  if (!(sweep > 1e-6)) return { ok: false, fault: { code: 'noSweep' } };
  const length = (high - low) / sweep;
  return { ok: true, arm: { length, pivot: low - length * Math.sin(down), down, up } };
}

/**
 * Arm length and how far its rod is bent, where the pivot cannot be moved: the sender turns through its own sweep, and a
 * bend in the rod turns both stops by one angle.
 *
 * With φ half the sweep and β the middle angle: tan β = (low + high − 2 pivot) / (high − low) · tan φ and
 * length = (high − low) / (2 cos β sin φ).
 */
export function solveBend(
  low: number,
  high: number,
  down: number,
  up: number,
  pivot: number,
): { ok: true; arm: FloatArm; bend: number } | { ok: false; fault: ArmFault } {
  if (!(high > low)) return { ok: false, fault: { code: 'rangeFalls' } };
  const half = (up - down) / 2;
  if (!(half > 1e-6 && half < Math.PI / 2)) return { ok: false, fault: { code: 'noSweep' } };
  const middle = Math.atan(((low + high - 2 * pivot) / (high - low)) * Math.tan(half));
  const length = (high - low) / (2 * Math.cos(middle) * Math.sin(half));
  return {
    ok: true,
    arm: { pivot, length, down: middle - half, up: middle + half },
    bend: middle - (down + up) / 2,
  };
}

/**
 * The EPANET engine's own rounded constants. Files are written so that the engine's numbers come out in exact SI, and read
 * as the engine would compute them.
 *
 * @see its source, release 2.2, funcs.h and types.h; found again by computing with it, test/reference/README.md, section C.
 */
export const EPANET_GRAVITY = 32.2 * 0.3048; // m/s2
const LPM_PER_CUBIC_FOOT_PER_SECOND = 1699; // exact would be 1699.01
const CUBIC_FOOT = 0.3048 ** 3; // m3
const MINOR_LOSS = 0.02517; // its 8/(g pi²)

/** Litres a minute as the engine wants them told, from m3/s. */
export const toEngineFlow = (flow: number): number => (flow / CUBIC_FOOT) * LPM_PER_CUBIC_FOOT_PER_SECOND;
export const fromEngineFlow = (lpm: number): number => (lpm / LPM_PER_CUBIC_FOOT_PER_SECOND) * CUBIC_FOOT;
/** Factor on loss coefficients. */
export const MINOR_FACTOR = 8 / (32.2 * Math.PI ** 2) / MINOR_LOSS;
export const WATER_VISCOSITY = 1.1e-5 * 0.3048 ** 2; // m2/s; relative viscosities are of this

import { celsius, mm } from '../units/quick.ts';

/** Where a wire lies decides how warm it is around it, K; typical, each wire can be set otherwise. */
export const wirePlaces = {
  cabin: { name: 'in the cabin', around: celsius(30) },
  underbody: { name: 'under the floor', around: celsius(50) },
  bay: { name: 'in the engine bay', around: celsius(85) },
  tank: { name: 'inside the tank', around: celsius(40) },
} as const;
/** K where nobody has said where a wire lies: that of an engine space as the ampacity table is for. */
export const USUAL_AROUND = wirePlaces.underbody.around;
/** K that a conductor under load is warmer than what is around it; typical. */
export const WARMER_BY = 10;

/** What insulation stands for hours on end, K, and what it is to fuel. ISO 6722-1 classes B to E and SAE J1128, from memory. */
export const insulations = {
  pvc85: { name: 'PVC, 85 °C', most: celsius(85), cover: 'pvc' },
  pvc105: { name: 'PVC, 105 °C', most: celsius(105), cover: 'pvc' },
  xlpe125: { name: 'cross-linked, 125 °C', most: celsius(125), cover: 'pvc' },
  nylon: { name: 'nylon, made for fuel, 105 °C', most: celsius(105), cover: 'nylon' },
  fluoropolymer: { name: 'PTFE or ETFE, 150 °C', most: celsius(150), cover: 'fluoropolymer' },
} as const;
export type Insulation = keyof typeof insulations;

/** How the end of a wire is made. */
export const wireEnds = {
  crimp: { name: 'crimped terminal', isJoint: true },
  ring: { name: 'crimped ring', isJoint: true },
  butt: { name: 'crimped butt, heat-shrunk', isJoint: true },
  solder: { name: 'soldered', isJoint: true },
  wireNut: { name: 'wire nut', isJoint: false },
  twisted: { name: 'twisted, bare or taped', isJoint: false },
} as const;
export type WireEndKind = keyof typeof wireEnds;

/** Crimp barrels by the conductor that they close on, m2; sizes of common open and closed barrels, from memory. */
export const barrels = {
  b05: { name: '0.2 to 0.5 mm²', least: 0.2e-6, most: 0.5e-6 },
  b10: { name: '0.5 to 1 mm²', least: 0.5e-6, most: 1e-6 },
  b25: { name: '1 to 2.5 mm²', least: 1e-6, most: 2.5e-6 },
  b40: { name: '2.5 to 4 mm²', least: 2.5e-6, most: 4e-6 },
  b60: { name: '4 to 6 mm²', least: 4e-6, most: 6e-6 },
  b100: { name: '6 to 10 mm²', least: 6e-6, most: 10e-6 },
  b160: { name: '10 to 16 mm²', least: 10e-6, most: 16e-6 },
} as const;
export type Barrel = keyof typeof barrels;

/** Single wire seals by the outside that they close on, m; common sizes, from memory. */
export const seals = {
  s17: { name: '1.2 to 1.7 mm', least: mm(1.2), most: mm(1.7) },
  s24: { name: '1.7 to 2.4 mm', least: mm(1.7), most: mm(2.4) },
  s30: { name: '2.4 to 3.1 mm', least: mm(2.4), most: mm(3.1) },
  s39: { name: '3.1 to 3.9 mm', least: mm(3.1), most: mm(3.9) },
  s50: { name: '3.9 to 5 mm', least: mm(3.9), most: mm(5) },
} as const;
export type Seal = keyof typeof seals;

/** What a wire is for: its colour goes by that. */
export const wireUses = {
  live: { name: 'always live (30)', colour: 'red' },
  switched: { name: 'live with the key (15)', colour: 'yellow' },
  pump: { name: 'to a pump', colour: 'orange' },
  coil: { name: 'coil and control', colour: 'blue' },
  earth: { name: 'earth (31)', colour: 'black' },
  signal: { name: 'signal', colour: 'white' },
} as const;
export type WireUse = keyof typeof wireUses;

/** Outside of thin-wall wire by its conductor, m2 and m: ISO 6722-1, from memory. */
const THIN_WALL = [
  [0.35e-6, mm(1.4)],
  [0.5e-6, mm(1.6)],
  [0.75e-6, mm(1.9)],
  [1e-6, mm(2.1)],
  [1.5e-6, mm(2.4)],
  [2.5e-6, mm(3)],
  [4e-6, mm(3.7)],
  [6e-6, mm(4.3)],
  [10e-6, mm(6)],
  [16e-6, mm(7.2)],
] as const;
/** Outside of a wire of so much conductor, m: of the next size that thin-wall wire is made in. */
export const outsideOf = (area: number): number =>
  (THIN_WALL.find(([most]) => area <= most * 1.0001) ?? THIN_WALL.at(-1)!)[1];

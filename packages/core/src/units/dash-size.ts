import { inches, mm } from './quick.ts';

/** Dash sizes in use on fuel systems. */
export const dashSizes = [3, 4, 5, 6, 8, 10, 12, 16] as const;
export type DashSize = (typeof dashSizes)[number];

/** Tube outside diameter of a dash size, m: sixteenths of an inch by definition (SAE J514). */
export const tubeOutsideDiameter = (dash: number): number => inches(dash / 16);

/** Typical bore of rubber hose by dash size, m. From memory: verify against the hose's data sheet. */
const typicalHoseBores: Partial<Record<DashSize, number>> = {
  4: mm(5.6),
  6: mm(8.7),
  8: mm(11.1),
  10: mm(14.2),
  12: mm(17.5),
  16: mm(22.2),
};
export const typicalHoseBore = (dash: number): number | undefined => typicalHoseBores[dash as DashSize];

/** Typical bore of PTFE-lined hose by dash size, m. From memory: verify against the hose's data sheet. */
const typicalPtfeBores: Partial<Record<DashSize, number>> = {
  4: mm(4.8),
  6: mm(8),
  8: mm(10.2),
  10: mm(12.7),
  12: mm(15.9),
  16: mm(22.2),
};
export const typicalPtfeBore = (dash: number): number | undefined => typicalPtfeBores[dash as DashSize];

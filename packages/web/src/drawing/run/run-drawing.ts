import type { PortAsItIs } from '@endrel/core/parts/graph';
import type { Job } from '@endrel/core/job/job';
import type { Circuits } from '@endrel/core/run/circuits';
import type { Part } from '@endrel/core/parts/kinds';
import type { Line } from '@endrel/core/run/zones';
import type { Band } from './lay-run.ts';

/** Where a part stands on the run's drawing, px. */
export interface Slot {
  readonly part: Part;
  readonly line: Line;
  readonly band: Band;
  readonly x: number;
  readonly y: number;
  readonly isInTank: boolean;
  /** Ports that nothing closes and nothing is joined to. */
  readonly open: readonly PortAsItIs[];
}
export type Place = readonly [x: number, y: number];
/** A joint as a line. */
export interface Wire {
  readonly joint: string;
  readonly from: string;
  readonly line: Line;
  readonly path: readonly Place[];
  /** Where its pressure is written; absent where there is no room for it, or nothing flows. */
  readonly number?: Place;
  /** Where a regulator lets go what is too much. */
  readonly isSpill: boolean;
}
export interface TankOutline {
  readonly part: Part;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  /** Its depth is known: heights in it are where they are. */
  readonly isMeasured: boolean;
  /** y of the fuel's surface. */
  readonly level: number;
  /** The vent line over the lid, with its valve, where the tank has one; `end` is where it opens. */
  readonly vent?: {
    readonly path: readonly Place[];
    readonly valve?: Place;
    readonly end: Place;
    readonly name: string;
  };
  readonly open: readonly PortAsItIs[];
}
export interface RunGeometry {
  readonly width: number;
  readonly height: number;
  readonly tank: TankOutline | undefined;
  readonly slots: readonly Slot[];
  readonly wires: readonly Wire[];
  readonly slotWidth: number;
  /** y of the main path. */
  readonly mainY: number;
}

/** What of a job its drawing shows. */
export type DrawnJob = Pick<Job, 'parts' | 'joints' | 'hanger' | 'assumptions'> & {
  readonly survey: Pick<Job['survey'], 'tank'>;
};

/** From the tank's floor on the drawing to the foot of what stands in it, px. */
export const FLOOR = 4;

export const openPorts = (run: Circuits, id: string): PortAsItIs[] =>
  run.ports(id).filter((p) => p.state === 'open' && p.spec.use !== 'dry');

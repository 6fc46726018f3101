import type { PartFlow, PointResult } from '../run/point-result.ts';
import { feedAt } from '../run/wired-pumps.ts';
import { onceFor } from '../memory/once-for.ts';
import type { SolvedCircuit } from '../harness/circuit.ts';
import type { Harness } from '../harness/harness.ts';
import { ohmsOf, passingLinks, wiresOf } from '../harness/in-circuit.ts';
import { isOnWay, type PumpPort } from '../harness/pump-feeds.ts';

/** What a pump draws at a point, as the circuit sees it: a controller passes its voltage on for a share of the time. */
export interface Drawn {
  readonly volts: number;
  readonly amps: number;
}

/** V and A of every pump that runs at a point, by part. */
export function drawnAt({ parts, duty, point }: PointResult): Map<string, Drawn> {
  return new Map(
    parts.flatMap(({ id, current, voltage }: PartFlow): [string, Drawn][] => {
      if (current === undefined || voltage === undefined || !(current > 0)) return [];
      // only a pump under the controller stands below what its wiring leaves it
      const isControlled = duty !== undefined && voltage < point.voltage * duty * 1.0001;
      return [[id, { volts: isControlled ? voltage / duty : voltage, amps: current }]];
    }),
  );
}

/** The same for a circuit that is solved with just those currents. */
export const ampsAt = (result: PointResult): Map<string, { readonly amps: number }> =>
  new Map([...drawnAt(result)].map(([part, { amps }]) => [part, { amps }]));

/** The circuit at one operating point. */
export interface WiringPoint {
  readonly key: string;
  readonly name: string;
  /** V where it is fed. */
  readonly system: number;
  readonly volts: Readonly<Record<string, number>>;
  readonly amps: Readonly<Record<string, number>>;
}
export const wiringPoint = ({ point }: PointResult, solved: SolvedCircuit): WiringPoint => ({
  key: point.key,
  name: point.name,
  system: feedAt(point).volts,
  volts: Object.fromEntries(solved.volts),
  amps: Object.fromEntries(solved.amps),
});

/** Where some of a pump's volts go. */
export interface DropLeg {
  /** A wire or a device. */
  readonly id: string;
  readonly isWire: boolean;
  readonly side: 'supply' | 'earth';
  readonly volts: number;
  readonly amps: number;
  readonly ohms: number;
}

/**
 * Where the volts between source and pump go, exactly: a stretch of resistance R that carries I and sends on the share i of what
 * the pump draws takes R·I·i of it (Tellegen's theorem), whether wires share, run side by side, or carry other loads as well.
 */
export function dropLegs(
  harness: Harness,
  port: PumpPort,
  { amps }: WiringPoint,
  isEarthSide: (id: string) => boolean,
): DropLeg[] {
  return resistancesOf(harness)
    .flatMap(({ id, isWire, ohms, way }): DropLeg[] => {
      if (!isOnWay(port, way)) return [];
      const share = port.shares.get(way)!;
      const through = amps[way] ?? 0;
      return [
        {
          id,
          isWire,
          ohms,
          volts: ohms * through * share,
          amps: Math.abs(through),
          side: isEarthSide(way) ? 'earth' : 'supply',
        },
      ];
    })
    .sort((a, b) => b.volts - a.volts);
}

interface Resistance {
  readonly id: string;
  readonly isWire: boolean;
  readonly ohms: number;
  /** As it is named in the circuit. */
  readonly way: string;
}
/** Every wire and every contact with its ohms. */
const resistancesOf = /* @__PURE__ */ onceFor((harness: Harness): readonly Resistance[] => [
  ...passingLinks(harness).map(({ id, device, link }) => ({ id: device.id, isWire: false, ohms: link.ohms, way: id })),
  ...wiresOf(harness).map((w) => ({ id: w.id, isWire: true, ohms: ohmsOf(w) ?? 0, way: w.id })),
]);

/** A pump's circuit at one point. SI. */
export interface PumpAt {
  readonly key: string;
  readonly system: number;
  /** At its terminals while it has current. */
  readonly volts: number;
  readonly amps: number;
  readonly legs: readonly DropLeg[];
}
export interface PumpCircuit {
  readonly part: string;
  readonly device: string;
  /** Wires on its way that nobody has measured: its voltage is that of the system until then. */
  readonly unmeasured: readonly string[];
  /** Wires and devices on its way. */
  readonly through: readonly string[];
  /** At every point at which it runs. */
  readonly at: Readonly<Record<string, PumpAt>>;
  /** Most that it draws at any point, A. */
  readonly mostAmps?: number;
}

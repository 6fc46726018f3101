import { sensorSignal } from '../parts/pressure-sensor/pressure-sensor.ts';
import { settled } from '../parts/define-part.ts';
import { pressureSensor } from '../parts/pressure-sensor/pressure-sensor.ts';
import type { Job } from '../job/job.ts';
import type { PointResult } from '../run/point-result.ts';
import type { RunSolution } from '../run/solve-run.ts';
import { feedAt } from '../run/wired-pumps.ts';
import { isDevice, type Device, type DeviceOf } from '../harness/devices/index.ts';
import type { Harness } from '../harness/harness.ts';
import { devicesOf, linkId, wiresOf } from '../harness/in-circuit.ts';
import { ampsAt, type Drawn, type WiringPoint } from './pump-circuit.ts';
import { solveHarness } from '../harness/pump-feeds.ts';

/** What a gauge sees of its sender at one mark: the sender's own ohms, and those with wires and earth, pumps still and running. */
export interface LevelReading {
  readonly mark: 'E' | '½' | 'F';
  readonly ohms: number;
  readonly still?: number;
  readonly running?: number;
  /** Of the scale, by which the needle is off with the pumps running; undefined while the gauge's range is unknown. */
  readonly off?: number;
}
export interface LevelCircuit {
  readonly gauge: string;
  readonly senders: readonly string[];
  /** A converter stands between: what the gauge then shows is the converter's table. */
  readonly converter?: string;
  /** The stabiliser that feeds it, with what it holds, V. */
  readonly held?: number;
  /** No current reaches the sender: the circuit is open. */
  readonly isOpen: boolean;
  readonly readings: readonly LevelReading[];
}

/** A three-wire pressure sensor as what reads it sees it at a point. */
export interface SensorReading {
  readonly point: string;
  readonly pressure: number;
  /** V that its sheet promises there with its rated supply, its own offset left out. */
  readonly expected: number;
  /** V that arrive, against the sensor earth of what reads. */
  readonly arrives: number;
  /** Pa by which that is misread. */
  readonly off: number;
}
export interface SensorCircuit {
  readonly device: string;
  readonly part: string;
  /** V at its plug at the first point; undefined while it is not wired. */
  readonly supply?: number;
  /** V by which its earth stands above that of what reads it, at most. */
  readonly lift?: number;
  readonly readings: readonly SensorReading[];
}

/** A wideband's output against what it should be. */
export interface WidebandOffset {
  readonly device: string;
  /** V, to be taken from every reading. */
  readonly offset: number;
  /** Of air-fuel ratio, that it would be misread by. */
  readonly mixture?: number;
}

const places = [
  ['E', 0],
  ['½', 0.5],
  ['F', 1],
] as const;

/** Levels as gauges read them, over the circuit with pumps still and at work. */
export function levelCircuits(job: Job, harness: Harness, solution: RunSolution | undefined): LevelCircuit[] {
  const point = solution?.points.fullLoad;
  const drawn = point ? ampsAt(point) : new Map<string, Pick<Drawn, 'amps'>>();
  const devices = devicesOf(harness);
  const volts = point ? feedAt(point.point).volts : 12;
  const feed = { by: 'running', volts } as const;
  const senders = devices.filter((d): d is DeviceOf<'levelSender'> & Device => isDevice(d, 'levelSender'));
  const held = devices.find((d): d is DeviceOf<'stabiliser'> & Device => isDevice(d, 'stabiliser'));
  const converter = devices.find((d) => d.kind === 'converter');
  const { gaugeEmpty, gaugeFull, gaugeResistance, senderEmpty, senderFull, secondEmpty, secondFull } = job.gauge ?? {};
  return devices
    .filter((d) => d.kind === 'levelGauge')
    .map((gauge): LevelCircuit => {
      const own = (share: number, ends: readonly [{ si: number } | undefined, { si: number } | undefined]) =>
        ends[0] && ends[1] ? ends[0].si + (ends[1].si - ends[0].si) * share : undefined;
      const readings = places.flatMap(([mark, share]): LevelReading[] => {
        const ohms = new Map<string, number>();
        for (const s of senders) {
          const value = own(share, s.which === 'second' ? [secondEmpty, secondFull] : [senderEmpty, senderFull]);
          if (value === undefined) return [];
          ohms.set(s.id, Math.max(value, 0.01));
        }
        const total = [...ohms.values()].reduce((a, b) => a + b, 0);
        if (ohms.size === 0) return [];
        if (gaugeResistance && gaugeResistance.si > 0) ohms.set(gauge.id, gaugeResistance.si);
        const seen = (pumps: ReadonlyMap<string, Pick<Drawn, 'amps'>>): number | undefined => {
          const solved = solveHarness(harness, feed, pumps, ohms);
          if (!solved.ok) return undefined;
          const amps = solved.value.amps.get(linkId(gauge.id, 0)) ?? 0;
          return Math.abs(amps) < 1e-9 ? undefined : (solved.value.volts.get(`${gauge.id}:sender`) ?? 0) / amps;
        };
        const [still, running] = [seen(new Map()), seen(drawn)];
        const span = gaugeEmpty && gaugeFull ? gaugeFull.si - gaugeEmpty.si : undefined;
        return [
          {
            mark,
            ohms: total,
            ...(still === undefined ? {} : { still }),
            ...(running === undefined ? {} : { running }),
            ...(running === undefined || !span ? {} : { off: (running - total) / span }),
          },
        ];
      });
      return {
        gauge: gauge.id,
        senders: senders.map((s) => s.id),
        ...(converter ? { converter: converter.id } : {}),
        ...(held ? { held: held.volts?.si ?? 10 } : {}),
        isOpen: !converter && readings.some((r) => r.still === undefined),
        readings,
      };
    });
}

/** What arrives of every pressure sensor at every point. */
export function sensorCircuits(
  job: Job,
  harness: Harness,
  points: readonly WiringPoint[],
  results: readonly PointResult[],
  hostOf: (part: string) => string | undefined,
): SensorCircuit[] {
  return devicesOf(harness)
    .filter((d): d is DeviceOf<'pressureSensorPlug'> & Device => isDevice(d, 'pressureSensorPlug'))
    .flatMap((device): SensorCircuit[] => {
      const part = device.part === undefined ? undefined : job.parts[device.part];
      if (part?.kind !== 'pressureSensor') return [];
      const signal = wiresOf(harness).find((w) =>
        [w.from, w.to].some((e) => e.device === device.id && e.terminal === 'signal'),
      );
      const far = signal && (signal.from.device === device.id ? signal.to : signal.from);
      const { properties } = pressureSensor;
      const full = settled(properties.fullPressure, part.fullPressure);
      const perVolt =
        full / (settled(properties.fullVolts, part.fullVolts) - settled(properties.zeroVolts, part.zeroVolts));
      const host = hostOf(part.id);
      const readings: SensorReading[] = [];
      const lifts: number[] = [];
      let supply: number | undefined;
      for (const result of results) {
        const { volts } = points.find((p) => p.key === result.point.key) ?? {};
        const at = (id: string, terminal: string) => volts?.[`${id}:${terminal}`];
        const [plus, minus] = [at(device.id, 'supply'), at(device.id, 'earth')];
        const base = far && at(far.device, 'sensorEarth');
        if (plus === undefined || minus === undefined || base === undefined) continue;
        supply ??= plus - minus;
        const lift = minus - base;
        lifts.push(lift);
        const pressure = result.parts.find((p) => p.id === host)?.inletPressure;
        if (pressure === undefined) continue;
        const { zeroRead: _read, ...ideal } = part;
        const rated = part.ratedSupply ?? { si: settled(properties.ratedSupply, undefined), unit: 'V' };
        const expected = sensorSignal({ ...ideal, supply: rated }, pressure);
        const arrives = sensorSignal({ ...ideal, supply: { si: plus - minus, unit: 'V' } }, pressure) + lift;
        readings.push({ point: result.point.key, pressure, expected, arrives, off: (arrives - expected) * perVolt });
      }
      return [
        {
          device: device.id,
          part: part.id,
          ...(supply === undefined ? {} : { supply }),
          ...(lifts.length > 0 ? { lift: Math.max(...lifts.map(Math.abs)) } : {}),
          readings,
        },
      ];
    });
}

/** What every wideband's output is off by, where both voltages were read. */
export const widebandOffsets = (harness: Harness): WidebandOffset[] =>
  devicesOf(harness).flatMap((d): WidebandOffset[] => {
    if (!isDevice(d, 'wideband') || !d.expected || !d.read) return [];
    const offset = d.read.si - d.expected.si;
    return [{ device: d.id, offset, ...(d.slope ? { mixture: offset * d.slope.si } : {}) }];
  });

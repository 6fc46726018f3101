import { expect } from 'chai';
import { wire } from '../../../test/simple-wiring.ts';
import { edgeOf, turnsBetween } from '../../../test/edge.ts';
import {
  act,
  afterRailJob,
  carburettorJob,
  changed,
  clamp,
  cleanJob,
  expectWhole,
  get,
} from '../../../test/rule-cases.ts';
import { awg } from '../../demo/build.ts';
import { demoJobs } from '../../demo/index.ts';
import type { Hanger } from '../../job/hanger.ts';
import type { Job } from '../../job/job.ts';
import type { PartOf } from '../../parts/kinds.ts';
import { rules } from '../rules.ts';
import type { Snag } from '../snag.ts';

const si = (value: number, unit = 'mm') => ({ si: value, unit });
const pickup = (change: (job: Job) => void) => changed(demoJobs.rescuePickup, change);
const tender = (change: (job: Job) => void) => changed(demoJobs.flatBedTender, change);
const hanger = (change: Partial<Hanger>) => cleanJob((j) => (j.hanger = { ...j.hanger, ...change }));
const rigid = (stack: number) => hanger({ hold: 'rigid', stack: si(stack) });
const shuttle = (change: (job: Job) => void) => changed(demoJobs.islandShuttle, change);
const saddle = (change: Partial<Hanger>) => tender((j) => (j.hanger = { ...j.hanger, ...change }));
const line = (change: Partial<PartOf<'hardLine'>>) => cleanJob((j) => Object.assign(get(j, 'hardLine'), change));
const ethanol = (share: number, change: (job: Job) => void) =>
  cleanJob((j) => {
    j.brief.ethanol = si(share, '%');
    change(j);
  });
/** A water test that found 85 %. */
const tested = { testWater: si(20e-6, 'mL'), testFuel: si(100e-6, 'mL'), testBoundary: si(105e-6, 'mL') };
const says = (words: RegExp) => (snag: Snag) => words.test(snag.what);
const grade = (wanted: Snag['grade']) => (snag: Snag) => snag.grade === wanted;

/** At the edge the figure is the limit, and the limit is what stands here. SI. */
interface Limit {
  readonly rule: string;
  readonly what: string;
  readonly job: (value: number) => Job;
  readonly from: number;
  readonly to: number;
  readonly says?: (snag: Snag) => boolean;
  /** Where the measurement itself turns. */
  readonly at?: number;
  /** What the figure is of its limit there; 1 unless the limit is a share of what is shown. */
  readonly share?: number;
  /** What the figure is there. */
  readonly figure?: number;
}

// Limits are of common practice unless the rule names its source; each stands here as a number of its own, so that a limit that
// is moved by a twentieth fails.
/** The mail van's circuit with something else in it. */
const circuit = (change: (j: Job) => void) => cleanJob(change);
const row = (j: Job, rows: 'devices' | 'wires', id: string) =>
  j.wiring![rows]!.find((r) => r.id === id)! as unknown as Record<string, unknown>;

const limits: readonly Limit[] = [
  {
    rule: 'aluminium-with-ethanol',
    what: 'E10',
    job: (x) => ethanol(x, (j) => (get(j, 'hardLine').material = 'aluminium3003')),
    from: 0,
    to: 0.5,
    at: 0.1,
  },
  {
    rule: 'ethanol-hose',
    what: 'E10',
    job: (x) => ethanol(x, (j) => (get(j, 'hose', 1).construction = 'braidedRubber')),
    from: 0,
    to: 0.5,
    at: 0.1,
  },
  {
    rule: 'coating-attacked',
    what: 'E10 where it stops',
    job: (x) => ethanol(x, (j) => (j.survey.tank.coating = 'zinc')),
    from: 0.01,
    to: 0.5,
    says: grade('stop'),
    at: 0.1,
  },
  {
    rule: 'wrong-multiplier',
    what: '3 % too much',
    job: (x) => cleanJob((j) => (j.brief.quotedMultiplier = si(x, ''))),
    from: 1.03,
    to: 1.3,
    share: 1.03,
  },
  {
    rule: 'wrong-multiplier',
    what: '3 % too little',
    job: (x) => cleanJob((j) => (j.brief.quotedMultiplier = si(x, ''))),
    from: 1.03,
    to: 0.8,
    share: 0.97,
  },
  {
    rule: 'fine-filter-before-pump',
    what: '40 µm',
    job: (x) => tender((j) => ((j.parts['filter-2'] as PartOf<'filter'>).rating = si(x, 'µm'))),
    from: 100e-6,
    to: 5e-6,
    at: 40e-6,
  },
  {
    rule: 'pump-above-outlet',
    what: 'the outlet',
    job: (x) => carburettorJob((j) => (get(j, 'pump').inletHeight = si(x))),
    from: -0.1,
    to: 0.1,
    at: 0,
  },

  { rule: 'pump-margin', what: '15 %', job: (x) => cleanJob((j) => (j.brief.power!.si *= x)), from: 1, to: 4 },
  {
    rule: 'pump-margin',
    what: 'nothing in hand',
    job: (x) => cleanJob((j) => (j.brief.power!.si *= x)),
    from: 1,
    to: 5,
    says: grade('stop'),
    share: 1 / 1.15,
  },
  {
    rule: 'rail-pressure-low',
    what: '95 %',
    job: (x) => cleanJob((j) => Object.assign(get(j, 'hardLine'), { outsideDiameter: si(0.006), length: si(x) })),
    from: 0.5,
    to: 60,
    share: 0.95,
  },
  {
    rule: 'rail-pressure-low',
    what: '85 % where it stops',
    job: (x) => cleanJob((j) => Object.assign(get(j, 'hardLine'), { outsideDiameter: si(0.006), length: si(x) })),
    from: 0.5,
    to: 60,
    says: grade('stop'),
    share: 0.85,
  },
  {
    rule: 'suction-margin',
    what: '1 m',
    job: (x) => cleanJob((j) => (j.assumptions.hotFuelTemperature = si(x, '°C'))),
    from: 310,
    to: 335,
    figure: 1,
  },
  {
    rule: 'suction-margin',
    what: 'nothing in hand at an operating point',
    job: (x) => cleanJob((j) => (j.assumptions.hotFuelTemperature = si(x, '°C'))),
    from: 310,
    to: 335,
    says: grade('stop'),
    figure: 0,
  },
  {
    rule: 'injectors-too-small',
    what: '85 %',
    job: (x) => cleanJob((j) => Object.assign(j.brief, { injectors: 4, injectorSize: si(x, 'lb/h') })),
    from: 0.02,
    to: 5e-4,
  },
  {
    rule: 'injectors-too-small',
    what: 'always open, where it stops',
    job: (x) => cleanJob((j) => Object.assign(j.brief, { injectors: 4, injectorSize: si(x, 'lb/h') })),
    from: 0.02,
    to: 5e-4,
    says: grade('stop'),
    share: 1 / 0.85,
  },
  {
    rule: 'groove-no-room',
    what: '1.5 mm of metal',
    job: (x) =>
      hanger({ lid: 'ring', boltCircle: si(0.128), plateHole: si(0.104), studSize: si(0.005), oRingCord: si(x) }),
    from: 0.001,
    to: 0.009,
  },
  {
    rule: 'stud-not-insulated',
    what: 'stud and 1.5 mm',
    job: (x) =>
      hanger({ ports: [{ id: 's', label: 'plus', is: 'stud', stud: si(0.005), hexagon: si(0.008), hole: si(x) }] }),
    from: 0.008,
    to: 0.005,
    figure: 0.0065,
  },
  {
    rule: 'collar-too-thin',
    what: '0.8 mm under the groove',
    job: (x) => hanger({ adapterTube: si(0.008), adapterNeck: si(x) }),
    from: 0.016,
    to: 0.009,
  },
  {
    rule: 'mat-with-ethanol',
    what: 'E10',
    job: (x) => ethanol(x, (j) => (j.hanger!.pickupKind = 'mat')),
    from: 0,
    to: 0.5,
    at: 0.1,
  },
  {
    rule: 'sensor-range',
    what: 'its range',
    job: (x) => shuttle((j) => (get(j, 'pressureSensor').fullPressure = si(x, 'kPa'))),
    from: 900e3,
    to: 300e3,
  },
  {
    rule: 'sensor-range',
    what: '0.15 V at no pressure',
    job: (x) => shuttle((j) => (get(j, 'pressureSensor').zeroRead = si(x, 'V'))),
    from: 0.5,
    to: 1,
    says: says(/far from nothing/),
  },
  {
    rule: 'sensor-alarm',
    what: 'the least of running',
    job: (x) => shuttle((j) => (get(j, 'pressureSensor').alarm = si(x, 'kPa'))),
    from: 400e3,
    to: 600e3,
    says: says(/plain running/),
  },
  {
    rule: 'sensor-alarm',
    what: '60 % of it',
    job: (x) => shuttle((j) => (get(j, 'pressureSensor').alarm = si(x, 'kPa'))),
    from: 400e3,
    to: 100e3,
    says: says(/too late/),
  },
  {
    rule: 'controller-pressure',
    what: '3 % too much',
    job: (x) => shuttle((j) => (get(j, 'pump').targetPressure = si(x, 'kPa'))),
    from: 500e3,
    to: 650e3,
    share: 1.03,
  },
  {
    rule: 'controller-pressure',
    what: '3 % too little',
    job: (x) => shuttle((j) => (get(j, 'pump').targetPressure = si(x, 'kPa'))),
    from: 500e3,
    to: 400e3,
    share: 0.97,
  },
  {
    rule: 'foam-with-ethanol',
    what: 'E10',
    job: (x) => ethanol(x, (j) => (j.survey.tank.foam = true)),
    from: 0,
    to: 0.5,
    at: 0.1,
  },
  {
    rule: 'no-fine-filter',
    what: '40 µm',
    job: (x) => cleanJob((j) => (get(j, 'filter').rating = si(x, 'µm'))),
    from: 10e-6,
    to: 100e-6,
    at: 40e-6,
  },
  {
    rule: 'rail-pressure-high',
    what: '5 %',
    job: (x) => cleanJob((j) => (get(j, 'regulator').slope = si(x, 'kPa'))),
    from: 1e3,
    to: 60e3,
  },
  {
    rule: 'soak-flashes',
    what: '4 s to fill',
    job: (x) =>
      cleanJob((j) => {
        for (const p of Object.values(j.parts))
          if (p.kind === 'hardLine' || p.kind === 'hose') Object.assign(p, { lies: 'bay' });
        delete get(j, 'pump').checkValve;
        get(j, 'hardLine').length = si(x);
      }),
    from: 1,
    to: 14,
  },
  {
    rule: 'wire-too-thin',
    what: 'what the wire carries, against its fuse',
    job: (x) => cleanJob((j) => wire(j, { fuse: x, supply: awg(14), earth: awg(12) })),
    from: 20,
    to: 40,
    says: grade('stop'),
    figure: 30,
  },
  {
    rule: 'wire-too-thin',
    what: 'what the wire carries, against the pump',
    job: (x) => cleanJob((j) => wire(j, { supply: si(x, 'mm²'), earth: awg(10), supplyLength: 0.3, earthLength: 0.3 })),
    from: 3e-6,
    to: 1e-7,
    says: grade('fix'),
  },
  {
    rule: 'wire-unfused',
    what: '300 mm before the fuse',
    job: (x) => circuit((j) => (row(j, 'wires', 'wire-7').length = si(x, 'm'))),
    from: 0.1,
    to: 2,
    at: 0.3,
  },
  {
    rule: 'contact-overloaded',
    what: 'what a pin is rated for',
    job: (x) => circuit((j) => (row(j, 'devices', 'connector-1').rating = si(x, 'A'))),
    from: 20,
    to: 1,
    says: says(/carries more/),
  },
  {
    rule: 'contact-overloaded',
    what: 'its fuse',
    job: (x) => circuit((j) => (row(j, 'devices', 'connector-1').rating = si(x, 'A'))),
    from: 20,
    to: 10,
    says: says(/^The fuse/),
    at: 15,
  },
  {
    rule: 'crimp-misfit',
    what: 'the most that a barrel takes',
    job: (x) => circuit((j) => Object.assign(row(j, 'wires', 'wire-11'), { finishBarrel: 'b40', area: si(x, 'mm²') })),
    from: 3e-6,
    to: 6e-6,
    at: 4e-6,
  },
  {
    rule: 'crimp-misfit',
    what: 'the least that a seal closes on',
    job: (x) => circuit((j) => Object.assign(row(j, 'wires', 'wire-11'), { finishSeal: 's39', outside: si(x, 'mm') })),
    from: 0.0035,
    to: 0.002,
    at: 0.0031,
  },
  {
    rule: 'stud-live',
    what: 'a megohm',
    job: (x) => circuit((j) => j.wiring!.devices!.push({ id: 'stud-1', kind: 'stud', proved: si(x, 'Ω') })),
    from: 2e6,
    to: 10,
    at: 1e6,
  },
  {
    rule: 'signal-off',
    what: '5 % of the scale',
    job: (x) =>
      circuit((j) => {
        row(j, 'devices', 'earth-point-2').resistance = si(x, 'Ω');
        for (const w of j.wiring!.wires!)
          if (w.from?.device === 'level-sender-1') w.to = { device: 'earth-point-2', terminal: 'point' };
      }),
    from: 0.001,
    to: 0.3,
    says: says(/move its needle/),
    figure: 0.05,
  },
  {
    rule: 'signal-off',
    what: '50 mV between earths',
    job: (x) =>
      shuttle((j) => {
        row(j, 'devices', 'earth-point-1').resistance = si(0, 'Ω');
        row(j, 'devices', 'earth-point-2').resistance = si(x, 'Ω');
        for (const w of j.wiring!.wires!)
          if (w.from?.device === 'pressure-sensor-plug-1' && w.from.terminal === 'earth')
            w.to = { device: 'earth-point-1', terminal: 'point' };
      }),
    from: 0,
    to: 0.05,
    says: says(/stands above/),
    figure: 0.05,
  },
  {
    rule: 'signal-off',
    what: '5 mV of a wideband',
    job: (x) =>
      circuit((j) =>
        j.wiring!.devices!.push({ id: 'wideband-1', kind: 'wideband', expected: si(2.35, 'V'), read: si(x, 'V') }),
      ),
    from: 2.35,
    to: 2.5,
    at: 2.355,
  },
  {
    rule: 'blend-volatility',
    what: 'the most that a blend has',
    job: (x) =>
      ethanol(0.1, (j) =>
        Object.assign(j, {
          assumptions: { ...j.assumptions, reidVapourPressure: si(x, 'kPa') },
          brief: { ...j.brief, reidOf: 'blend' },
        }),
      ),
    from: 60e3,
    to: 21e3,
    says: says(/No petrol/),
  },
  {
    rule: 'pressure-creep',
    what: '5 %',
    job: (x) => afterRailJob((j) => (get(j, 'returnDrop').bore = si(x))),
    from: 0.008,
    to: 0.002,
    share: 1.05,
  },
  {
    rule: 'set-pressure',
    what: '3 % too high',
    job: (x) => cleanJob((j) => (get(j, 'regulator').setPressure = si(x, 'kPa'))),
    from: 400e3,
    to: 500e3,
    share: 1.03,
  },
  {
    rule: 'set-pressure',
    what: '3 % too low',
    job: (x) => cleanJob((j) => (get(j, 'regulator').setPressure = si(x, 'kPa'))),
    from: 400e3,
    to: 300e3,
    share: 0.97,
  },
  {
    rule: 'regulator-above-dead-head',
    what: 'what the pump makes',
    job: (x) => cleanJob((j) => (get(j, 'regulator').setPressure = si(x, 'kPa'))),
    from: 400e3,
    to: 900e3,
  },
  {
    rule: 'relief-open',
    what: '1 L/h',
    job: (x) => pickup((j) => ((j.parts['hose-4'] as PartOf<'hose'>).bore = si(x))),
    from: 5e-3,
    to: 1.2e-3,
    figure: 1 / 3.6e6,
  },
  {
    rule: 'no-regulator',
    what: '5 % over what is wanted',
    job: (x) =>
      cleanJob((j) => {
        act(j, ...['regulator-1', 'hose-3', 'return-drop-1'].map((id) => ({ act: 'takeOut', id }) as const));
        j.brief.railPressure = si(x, 'kPa');
      }),
    from: 900e3,
    to: 400e3,
    share: 1.05,
  },
  {
    rule: 'carburettor-flooded',
    what: 'what the needle holds',
    job: (x) => carburettorJob((j) => (get(j, 'regulator').setPressure = si(x, 'psi'))),
    from: 20e3,
    to: 62e3,
    figure: 41.4e3,
  },
  {
    rule: 'velocity-high',
    what: '2 m/s in a return',
    job: (x) => cleanJob((j) => (get(j, 'hose', 2).bore = si(x))),
    from: 0.009,
    to: 0.005,
    says: says(/Return hose|return/i),
    figure: 2,
  },
  {
    rule: 'velocity-high',
    what: '4 m/s in a feed',
    job: (x) => cleanJob((j) => (get(j, 'hose', 1).bore = si(x))),
    from: 0.008,
    to: 0.0017,
    says: (s) => s.limit!.label.startsWith('pressure'),
    figure: 4,
  },
  {
    rule: 'velocity-high',
    what: '1 m/s in a suction',
    job: (x) => pickup((j) => (get(j, 'hose', 1).bore = si(x))),
    from: 0.013,
    to: 0.005,
    says: (s) => s.limit!.label.startsWith('suction'),
    figure: 1,
  },
  {
    rule: 'vapour-at-restart',
    what: 'boiling',
    job: (x) => cleanJob((j) => (j.assumptions.soakTemperature = si(x, '°C'))),
    from: 340,
    to: 440,
  },
  {
    rule: 'pot-runs-dry',
    what: 'the margin over what is drawn',
    job: (x) => pickup((j) => (j.brief.power!.si *= x)),
    from: 1,
    to: 3,
    says: (s) => s.grade !== 'note',
  },
  {
    rule: 'pot-runs-dry',
    what: 'seconds wanted',
    job: (x) => pickup((j) => (get(j, 'swirlPot').secondsWanted = si(x, 's'))),
    from: 5,
    to: 200,
    says: grade('note'),
  },
  {
    rule: 'fuel-overheats',
    what: 'the drive',
    job: (x) => pickup((j) => (j.assumptions.driveTime = si(x, 'min'))),
    from: 60,
    to: 36000,
  },

  {
    rule: 'hose-below-pressure',
    what: 'injection pressure',
    job: (x) =>
      cleanJob((j) => {
        get(j, 'hose', 1).construction = 'r7';
        get(j, 'regulator').setPressure = si(x, 'kPa');
        get(j, 'pump').reliefPressure = si(x, 'kPa');
      }),
    from: 100e3,
    to: 400e3,
    says: (s) => s.part === 'hose-2',
    figure: 150e3,
  },
  {
    rule: 'bulkhead-crowded',
    what: 'a spanner beside the next end',
    job: (x) =>
      cleanJob(
        (j) =>
          (j.bulkhead = [
            { id: 'a', size: '−6' },
            { id: 'b', size: '−8', along: si(x) },
            { id: 'c', size: '−6', along: si(0.2) },
          ]),
      ),
    from: 0.05,
    to: 0.02,
    at: (2.2 * 0.022225 + (2 / Math.sqrt(3)) * 0.0174625) / 2,
  },
  {
    rule: 'hose-worn',
    what: 'its heat',
    job: (x) => cleanJob((j) => Object.assign(get(j, 'hose', 1), { lies: 'exhaust', exhaustGap: si(x) })),
    from: 0.5,
    to: 0.001,
    says: says(/hotter/),
  },
  {
    rule: 'hose-worn',
    what: 'its tightest bend',
    job: (x) => cleanJob((j) => (get(j, 'hose', 1).bend = si(x))),
    from: 0.2,
    to: 0.02,
    says: says(/tighter/),
    at: 0.064,
  },
  {
    rule: 'worm-clamp',
    what: 'injection pressure',
    job: (x) =>
      cleanJob((j) => {
        clamp(j, 'hose-2', 'worm');
        get(j, 'regulator').setPressure = si(x, 'kPa');
      }),
    from: 100e3,
    to: 400e3,
    figure: 150e3,
  },
  {
    rule: 'line-below-pressure',
    what: 'Barlow',
    job: (x) => line({ material: 'nylon', outsideDiameter: si(0.0085), wall: si(x) }),
    from: 0.001,
    to: 0.0002,
  },
  {
    rule: 'part-below-dead-head',
    what: 'the filter’s rating',
    job: (x) => cleanJob((j) => (get(j, 'filter').maximumPressure = si(x, 'kPa'))),
    from: 2e6,
    to: 100e3,
  },
  {
    rule: 'fuse-too-small',
    what: '1.25 times the current',
    job: (x) =>
      cleanJob((j) => {
        const pump = get(j, 'pump');
        wire(j, { fuse: 20 });
        for (const table of pump.tables!) for (const row of table.rows) row.current = si(x, 'A');
      }),
    from: 8,
    to: 30,
    at: 16,
  },
  {
    rule: 'voltage-drop',
    what: 'a tenth of the flow',
    job: (x) => cleanJob((j) => wire(j, { supply: awg(16), supplyLength: x, earth: awg(10), earthLength: 1 })),
    from: 0.2,
    to: 20,
    says: grade('fix'),
    figure: 0.1,
  },
  {
    rule: 'voltage-drop',
    what: 'half a volt',
    job: (x) => cleanJob((j) => wire(j, { supply: awg(12), supplyLength: x, earth: awg(10), earthLength: 1 })),
    from: 0.2,
    to: 6,
    says: grade('note'),
    figure: 0.5,
  },

  {
    rule: 'return-end',
    what: 'the fuel level',
    job: (x) => cleanJob((j) => (get(j, 'returnDrop').endHeight = si(x))),
    from: 0.02,
    to: 0.2,
    says: says(/above the fuel/),
  },
  {
    rule: 'return-end',
    what: '100 mm from the pickup',
    job: (x) =>
      cleanJob((j) => {
        delete j.hanger;
        get(j, 'returnDrop').pickupDistance = si(x);
      }),
    from: 0.3,
    to: 0.01,
    at: 0.1,
  },
  { rule: 'hanger-too-long', what: 'springs', job: (x) => hanger({ stack: si(x) }), from: 0.25, to: 0.3 },
  { rule: 'hanger-too-long', what: 'loose gasket', job: rigid, from: 0.2, to: 0.26, says: grade('stop') },
  { rule: 'hanger-hangs-free', what: 'the floor', job: (x) => hanger({ stack: si(x) }), from: 0.25, to: 0.2 },
  {
    rule: 'hanger-too-long',
    what: 'squeezed gasket',
    job: (x) =>
      changed(rigid(x), (j) => {
        act(j, { act: 'takeOut', id: 'sock-1' });
        delete j.hanger!.sockThickness;
      }),
    from: 0.2,
    to: 0.2385,
    figure: 0.238,
  },
  { rule: 'sock-folded', what: 'what the sock gives', job: rigid, from: 0.238, to: 0.26 },
  {
    rule: 'opening-too-small',
    what: 'the hole',
    job: (x) =>
      hanger({
        openingDiameter: si(x),
        bodies: [
          { id: 'a', label: 'a', diameter: si(0.039) },
          { id: 'b', label: 'b', diameter: si(0.039) },
        ],
      }),
    from: 0.1,
    to: 0.05,
    at: 0.078 + 0.005 + 0.001,
  },
  {
    rule: 'opening-too-small',
    what: 'what easing the lip finds',
    job: (x) =>
      hanger({
        openingDiameter: si(x),
        bodies: [
          { id: 'a', label: 'a', diameter: si(0.039) },
          { id: 'b', label: 'b', diameter: si(0.039) },
        ],
      }),
    from: 0.1,
    to: 0.05,
    says: grade('stop'),
    at: 0.078 + 0.005 + 0.001 - 0.0025,
  },
  {
    rule: 'does-not-tilt-in',
    what: 'the longest that goes in',
    job: (x) => hanger({ stiffLength: si(x), stiffWidth: si(0.07), headroom: si(0.09) }),
    from: 0.1,
    to: 0.3,
  },
  {
    rule: 'pickup-not-lowest',
    what: '5 mm',
    job: (x) =>
      cleanJob((j) => {
        Object.assign(j.survey.tank, {
          shape: 'stepped',
          zones: [
            { id: 'a', length: si(0.3), floor: si(0) },
            { id: 'b', length: si(0.32), floor: si(x) },
          ],
        });
        j.hanger!.openingForward = si(-0.11);
        j.gauge = undefined;
      }),
    from: 0,
    to: 0.02,
    at: 0.005,
  },
  {
    rule: 'bucket-cannot-refill',
    what: 'what is drawn',
    job: (x) => hanger({ bucketInletBore: si(x), returnIntoBucket: false }),
    from: 0.018,
    to: 0.006,
  },
  {
    rule: 'siphon-jet',
    what: 'a fifth of the set pressure',
    job: (x) => saddle({ jetDrill: si(x) }),
    from: 0.005,
    to: 0.0015,
    says: says(/too small/),
  },
  {
    rule: 'siphon-jet',
    what: 'the set pressure, where it stops',
    job: (x) => saddle({ jetDrill: si(x) }),
    from: 0.005,
    to: 0.0015,
    says: (s) => /too small/.test(s.what) && s.grade === 'stop',
    share: 5,
  },
  {
    rule: 'siphon-jet',
    what: 'what the engine burns',
    job: (x) => saddle({ jetDrill: si(x) }),
    from: 0.005,
    to: 0.012,
    says: says(/does not bring/),
  },
  {
    rule: 'far-lobe-stranded',
    what: '1 L',
    job: (x) => saddle({ farHeight: si(x) }),
    from: 0.001,
    to: 0.05,
    figure: 1e-3,
  },
  {
    rule: 'plate-crowded',
    what: 'the circle inside the nuts',
    job: (x) => hanger({ ports: [1, 2, 3].map((n) => ({ id: `p${n}`, label: `port ${n}`, hexagon: si(x) })) }),
    from: 0.0175,
    to: 0.046,
  },
  {
    rule: 'plate-crowded',
    what: '4 mm of metal',
    job: (x) => hanger({ boltCircle: si(x) }),
    from: 0.141,
    to: 0.124,
    figure: 0.004,
  },
  {
    rule: 'plate-crowded',
    what: 'room above',
    job: (x) => hanger({ roomAbove: si(x) }),
    from: 0.055,
    to: 0.02,
    says: says(/no room over/),
    figure: 0,
  },

  {
    rule: 'tank-shape',
    what: '600 L',
    job: (x) =>
      cleanJob((j) =>
        Object.assign(j.survey.tank, {
          length: si(x),
          width: si(1),
          depth: si(0.5),
          cornerRadius: si(0),
          capacity: undefined,
        }),
      ),
    from: 0.6,
    to: 3,
    at: 1.2,
  },
  {
    rule: 'tank-shape',
    what: '15 % under the plate',
    job: (x) => cleanJob((j) => (j.survey.tank.capacity = si(x, 'L'))),
    from: 0.058,
    to: 0.09,
    share: 0.85,
  },
  {
    rule: 'tank-shape',
    what: '15 % over the plate',
    job: (x) => cleanJob((j) => (j.survey.tank.capacity = si(x, 'L'))),
    from: 0.058,
    to: 0.03,
    share: 1.15,
  },
  {
    rule: 'tank-vent',
    what: 'the filler neck',
    job: (x) => cleanJob((j) => (j.survey.tank.ventHeight = si(x))),
    from: 0.64,
    to: 0.5,
    at: 0.59,
  },
  {
    rule: 'vent-line',
    what: 'where the valve shuts',
    job: (x) => cleanJob((j) => (j.survey.vent!.valveTilt = si(x, '°'))),
    from: 0,
    to: 1.5,
  },
  {
    rule: 'vent-line',
    what: 'nine tenths of the depth',
    job: (x) => cleanJob((j) => (j.survey.vent!.tankEnd = si(x))),
    from: 0.236,
    to: 0.1,
    share: 0.9,
  },
  {
    rule: 'vent-line',
    what: '2 kPa',
    job: (x) => cleanJob((j) => Object.assign(j.survey.vent!, { bore: si(x) })),
    from: 0.01,
    to: 0.0008,
    figure: 2000,
  },
  {
    rule: 'float-past-tank',
    what: 'the lid',
    job: (x) => cleanJob((j) => (j.gauge!.floatHigh = si(x))),
    from: 0.2,
    to: 0.3,
    says: says(/above the tank/),
    at: 0.236,
  },
  {
    rule: 'float-past-tank',
    what: 'the floor',
    job: (x) => cleanJob((j) => (j.gauge!.floatLow = si(x))),
    from: 0.03,
    to: -0.03,
    says: says(/below the tank/),
    at: 0,
  },
  {
    rule: 'gauge-mismatch',
    what: 'a tenth of the scale',
    job: (x) => cleanJob((j) => Object.assign(j.gauge!, { senderEmpty: si(x, 'Ω'), senderFull: si(10, 'Ω') })),
    from: 300,
    to: 60,
    figure: 0.1,
  },
  {
    rule: 'float-arc-meets',
    what: 'the room to a wall',
    job: (x) => cleanJob((j) => (j.gauge!.pivotForward = si(x))),
    from: 0.06,
    to: -0.12,
    says: grade('fix'),
  },
  {
    rule: 'blend-tested-otherwise',
    what: '3 points under what was found',
    job: (x) => ethanol(x, (j) => Object.assign(j.brief, tested)),
    from: 0.85,
    to: 0.5,
    at: 0.82,
  },
  {
    rule: 'blend-tested-otherwise',
    what: '3 points over what was found',
    job: (x) => ethanol(x, (j) => Object.assign(j.brief, tested)),
    from: 0.85,
    to: 1,
    at: 0.88,
  },
];

/** Rules that judge a yes or no: what is there, of what kind, which way round. Each has a test of its own. */
const WITHOUT_LIMIT = [
  'beyond-pump-table',
  'filter-reversed',
  'fixed-regulator-with-boost',
  'hanger-misses-sump',
  'hose-not-submersible',
  'joint-does-not-seal',
  'lines-swapped',
  'loose-part',
  'old-connection',
  'open-port',
  'pot-among-people',
  'pump-keeps-running',
  'route-impossible',
  'run-does-not-solve',
  'seal-attacked',
  'sealant-wrong',
  'sender-worn',
  'wire-in-tank',
  'reference-unwanted',
  'return-behind-sill',
  'return-capped',
  'sensor-misplaced',
  'sensor-missing',
  'staged-pumps',
  'circuit-fault',
  'pump-not-fed',
  'wire-joint',
];
/** Tested at their limit beside their other cases. */
const ELSEWHERE = [
  'regulators-fight',
  'adapter-not-rated',
  'hose-route',
  'joint-out-of-reach',
  'line-held',
  'line-too-near',
  'panel-hole',
  'place-wrong',
  'route-heights',
  'tank-cannot-drop',
  'tube-bending',
];

it('every rule is tried at its limit, or has none', () => {
  const tried = [...new Set(limits.map((l) => l.rule)), ...WITHOUT_LIMIT, ...ELSEWHERE];
  expect(tried.sort()).to.deep.equal(rules.map((r) => r.key).sort());
});

describe('every limit, just under and just over', () => {
  for (const { rule, what, job, from, to, says: meant, at, share = 1, figure } of limits)
    it(`${rule}: ${what}`, () => {
      if (at !== undefined) {
        // the limit itself is allowed, or is not: what turns there turns within a hair of it
        const hair = 2e-6 * Math.abs(to - from) + 1e-12;
        const on = Math.sign(to - from) * hair;
        const { isSilent, snag } = turnsBetween(rule, job, [at - on, at + on], meant);
        expect(isSilent, 'silent just under').to.equal(true);
        expect([snag?.figure, snag?.limit], 'speaks just over, figure against limit').to.not.include(undefined);
        expectWhole(job(at + on), snag!);
        return;
      }
      const edge = edgeOf(rule, job, [from, to], meant, 1e-5);
      expect([edge.snag.figure, edge.snag.limit], 'figure against limit').to.not.include(undefined);
      expectWhole(job(edge.speaks), edge.snag);
      const { snag } = edge;
      // what follows from a solved run turns as finely as it is solved
      if (figure !== undefined)
        expect(snag.figure!.si).to.be.closeTo(figure, figure === 0 ? 1e-3 : 1e-2 * Math.abs(figure));
      else expect(snag.figure!.si / snag.limit!.si).to.be.closeTo(share, 2e-3);
    });
});

import { awg } from '../../src/demo/build.ts';
import { wire } from '../simple-wiring.ts';
import { cleanJob, get } from '../rule-cases.ts';
import { si, hanger, shuttle, says, grade, row } from './cases.ts';
import type { Limit } from './limit.ts';

export const wiringLimits: readonly Limit[] = [
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
    job: (x) => cleanJob((j) => (row(j, 'wires', 'wire-7').length = si(x, 'm'))),
    from: 0.1,
    to: 2,
    at: 0.3,
  },
  {
    rule: 'contact-overloaded',
    what: 'what a pin is rated for',
    job: (x) => cleanJob((j) => (row(j, 'devices', 'connector-1').rating = si(x, 'A'))),
    from: 20,
    to: 1,
    says: says(/carries more/),
  },
  {
    rule: 'contact-overloaded',
    what: 'its fuse',
    job: (x) => cleanJob((j) => (row(j, 'devices', 'connector-1').rating = si(x, 'A'))),
    from: 20,
    to: 10,
    says: says(/^The fuse/),
    at: 15,
  },
  {
    rule: 'crimp-misfit',
    what: 'the most that a barrel takes',
    job: (x) => cleanJob((j) => Object.assign(row(j, 'wires', 'wire-11'), { finishBarrel: 'b40', area: si(x, 'mm²') })),
    from: 3e-6,
    to: 6e-6,
    at: 4e-6,
  },
  {
    rule: 'crimp-misfit',
    what: 'the least that a seal closes on',
    job: (x) => cleanJob((j) => Object.assign(row(j, 'wires', 'wire-11'), { finishSeal: 's39', outside: si(x, 'mm') })),
    from: 0.0035,
    to: 0.002,
    at: 0.0031,
  },
  {
    rule: 'stud-live',
    what: 'a megohm',
    job: (x) => cleanJob((j) => j.wiring!.devices!.push({ id: 'stud-1', kind: 'stud', proved: si(x, 'Ω') })),
    from: 2e6,
    to: 10,
    at: 1e6,
  },
  {
    rule: 'signal-off',
    what: '5 % of the scale',
    job: (x) =>
      cleanJob((j) => {
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
      cleanJob((j) =>
        j.wiring!.devices!.push({ id: 'wideband-1', kind: 'wideband', expected: si(2.35, 'V'), read: si(x, 'V') }),
      ),
    from: 2.35,
    to: 2.5,
    at: 2.355,
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
];

import { clamp, cleanJob, get } from '../rule-cases.ts';
import { si, hanger, line, says } from './cases.ts';
import type { Limit } from './limit.ts';

export const jointLimits: readonly Limit[] = [
  {
    rule: 'groove-no-room',
    what: '1.5 mm of metal',
    job: (x) =>
      hanger({ lid: 'ring', boltCircle: si(0.128), plateHole: si(0.104), studSize: si(0.005), oRingCord: si(x) }),
    from: 0.001,
    to: 0.009,
  },
  {
    rule: 'collar-too-thin',
    what: '0.8 mm under the groove',
    job: (x) => hanger({ adapterTube: si(0.008), adapterNeck: si(x) }),
    from: 0.016,
    to: 0.009,
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
];

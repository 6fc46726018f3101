import type { PartOf } from '../../src/parts/kinds.ts';
import { cleanJob, get } from '../rule-cases.ts';
import { si, pickup, tender, ethanol, tested, says, grade } from './cases.ts';
import type { Limit } from './limit.ts';

export const fuelLimits: readonly Limit[] = [
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
    rule: 'mat-with-ethanol',
    what: 'E10',
    job: (x) => ethanol(x, (j) => (j.hanger!.pickupKind = 'mat')),
    from: 0,
    to: 0.5,
    at: 0.1,
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
    rule: 'vapour-at-restart',
    what: 'boiling',
    job: (x) => cleanJob((j) => (j.assumptions.soakTemperature = si(x, '°C'))),
    from: 340,
    to: 440,
  },
  {
    rule: 'fuel-overheats',
    what: 'the drive',
    job: (x) => pickup((j) => (j.assumptions.driveTime = si(x, 'min'))),
    from: 60,
    to: 36000,
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

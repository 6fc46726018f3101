import { act, changed, cleanJob, get } from '../rule-cases.ts';
import { si, hanger, rigid, saddle, says, grade } from './cases.ts';
import type { Limit } from './limit.ts';

export const tankLimits: readonly Limit[] = [
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
];

import { blankJob, type Job } from '../job/job.ts';
import { wired } from './wired.ts';
import {
  bar,
  bsfc,
  degree,
  part,
  inch,
  kPa,
  lay,
  kW,
  litre,
  lph,
  mm,
  percent,
  plain,
  pumpClasses,
  um,
} from './build.ts';

/** Measured, one question open: a shuttle bus that gets a direct-injection engine, its pump under a controller, no return. */
export const islandShuttle: Job = wired(
  {
    ...blankJob('Island shuttle: direct injection, no return', 'Brackwater 22 shuttle bus, long wheelbase'),
    brief: {
      induction: 'injection',
      direct: true,
      power: kW(118),
      aspiration: 'turbo',
      boost: kPa(90),
      bsfc: bsfc(0.55),
      fuel: 'petrol',
      ethanol: percent(10),
      railPressure: bar(5),
      manifoldReference: false,
      injectors: 4,
      reversible: true,
      wishes: 'The engine’s own pump controller, nothing left over from the old return.',
    },
    survey: {
      tank: {
        depth: mm(280),
        capacity: litre(70),
        outletHeight: mm(280),
        coating: 'polyethylene',
        shape: 'box',
        length: mm(700),
        width: mm(380),
        cornerRadius: mm(45),
        vent: 'rollOver',
        ventHeight: mm(700),
        fillerHeight: mm(640),
        cap: 'sealed',
      },
      railHeight: mm(700),
      stopsWithEngine: true,
      crashShutOff: true,
      oldConnections: [
        { id: 'row-1', label: 'old return', did: 'return', size: '8 mm', fate: 'cap', by: 'screwed cap', tagged: true },
      ],
      lines: [],
    },
    layout: {
      key: 'electronicReturnless',
      reason: 'The engine control brings its own pump controller and expects its sensor at the high-pressure pump.',
    },
    ...lay(
      [
        part('tank', 'tank-1', { pickup: 'hanger' }),
        part('sock', 'sock-1', { rating: um(70) }),
        part('pump', 'pump-1', {
          label: 'Controlled pump',
          role: 'feedPump',
          place: 'inTank',
          tables: pumpClasses.injection255,
          checkValve: true,
          reliefPressure: kPa(650),
          drive: 'pwm',
          targetPressure: kPa(500),
          targetReferenced: false,
          sensorExpected: 'rail',
        }),
        part('hose', 'hose-1', {
          label: 'Hanger hose',
          role: 'hangerHose',
          length: mm(160),
          bore: mm(8),
          construction: 'r10',
          immersed: true,
        }),
        part('filter', 'filter-1', {
          label: 'Fine filter',
          role: 'fineFilter',
          rating: um(10),
          ratedFlow: lph(250),
          ratedDrop: kPa(4),
          dirt: plain(1),
          maximumPressure: bar(12),
          reversed: false,
          ports: { out: { place: { ...at(4050, 550, 420), heading: degree(180) } } },
        }),
        part('hardLine', 'hard-line-1', {
          label: 'Feed line',
          role: 'feedLine',
          length: mm(4600),
          outsideDiameter: inch(3 / 8),
          wall: mm(0.9),
          material: 'steelCoated',
          bends: 9,
          tag: 'feed',
          ports: { out: { place: { ...at(-450, 380, 480), heading: degree(180) } } },
        }),
        part('hose', 'hose-2', {
          label: 'Engine feed hose',
          role: 'engineHose',
          length: mm(480),
          bore: mm(8),
          construction: 'r9',
          immersed: false,
          tag: 'feed',
        }),
        part('pressureSensor', 'pressure-sensor-1', { label: 'Feed pressure sensor' }),
        part('rail', 'rail-1', {
          label: 'High-pressure pump inlet',
          injectors: 1,
          bore: mm(8),
          length: mm(60),
          ports: { out: { closed: 'plugged' }, in: { place: { ...at(-700, 160, 660), heading: degree(0) } } },
        }),
      ],
      [
        'tank-1.pickup-1 sock-1 pump-1 hose-1 filter-1 hard-line-1 hose-2 rail-1.in',
        'rail-1.side-1 pressure-sensor-1.port',
      ],
      { 'hose-1': 'band', 'hose-2': 'band' },
    ),
    routes: {
      datum: 'Middle of the front axle beam, at the height of the yard; vehicle level',
      tankFloor: mm(220),
      points: [
        { id: 'row-1', label: 'Left rail, front hanger bolt', ...at(620, 460, 420) },
        { id: 'row-2', label: 'Tank strap bolt', ...at(4100, -100, 420) },
        {
          id: 'row-3',
          label: 'Filter outlet',
          up: mm(420),
          side: 'left',
          tapes: [
            { id: 'row-1', to: 'row-1', far: mm(3431) },
            { id: 'row-2', to: 'row-2', far: mm(652) },
          ],
        },
      ],
      zones: [
        { id: 'row-1', label: 'Tank', kind: 'tank', shape: 'box', a: at(4150, 80, 220), b: at(4850, 460, 500) },
        { id: 'row-2', label: 'Exhaust', kind: 'hot', shape: 'pipe', a: at(-200, -350, 250), b: at(5000, -400, 220), radius: mm(32) }, // prettier-ignore
        { id: 'row-3', label: 'Propeller shaft', kind: 'moving', shape: 'pipe', a: at(500, 0, 360), b: at(3250, 0, 300), radius: mm(45), rises: mm(40), falls: mm(40) }, // prettier-ignore
        { id: 'row-4', label: 'Rear axle', kind: 'axle', shape: 'box', a: at(3250, -800, 160), b: at(3450, 800, 340), rises: mm(100), falls: mm(60) }, // prettier-ignore
        { id: 'row-5', label: 'Belts', kind: 'belts', shape: 'box', a: at(-1220, -300, 350), b: at(-1150, 300, 950) },
        { id: 'row-6', label: 'Body loom', kind: 'electrical', shape: 'pipe', a: at(100, 580, 620), b: at(2900, 580, 620), radius: mm(14) }, // prettier-ignore
        { id: 'row-7', label: 'Cabin', kind: 'cabin', shape: 'box', a: at(400, -580, 720), b: at(5200, 580, 2200) },
        { id: 'row-8', label: 'Behind the left front wheel', kind: 'debris', shape: 'box', a: at(350, 350, 0), b: at(750, 780, 300) }, // prettier-ignore
        {
          id: 'row-9',
          label: 'Rear cross-member',
          kind: 'panel',
          shape: 'box',
          a: at(1800, -600, 300),
          b: at(1840, 660, 560),
          fasteners: [
            { id: 'row-1', label: 'bracket bolt', ...at(1840, 480, 430), across: mm(24) },
            { id: 'row-2', label: 'seat-belt nut plate', ...at(1800, 610, 440), across: mm(40), isBehind: true },
          ],
        },
        { id: 'row-10', label: 'Wheel arch, left', kind: 'reach', shape: 'box', a: at(3900, 450, 250), b: at(4200, 800, 650) }, // prettier-ignore
      ],
      lines: {
        'hard-line-1': {
          grommet: true,
          nutsOn: true,
          stock: mm(6000),
          through: [
            at(3970, 550, 420),
            at(3750, 550, 420),
            at(3600, 550, 560),
            at(3350, 550, 560),
            at(3100, 550, 560),
            at(2950, 550, 420),
            at(2530, 550, 420),
            at(2110, 550, 420),
            at(1690, 550, 420),
            at(1270, 550, 420),
            at(850, 550, 420),
            at(450, 550, 420),
            at(200, 380, 480),
            at(-100, 380, 480),
            at(-370, 380, 480),
          ].map((place, i) => ({ id: `row-${i + 1}`, ...place, clip: true })),
        },
        'hose-2': { moves: true },
      },
      vent: {
        start: { ...at(4400, 270, 500), tilt: degree(90) },
        through: [
          { id: 'row-1', label: 'over the rail', ...at(4400, 270, 610) },
          { id: 'row-2', ...at(4400, 680, 640) },
          { id: 'row-3', label: 'top, beside the filler', ...at(4400, 680, 930) },
          { id: 'row-4', ...at(4560, 680, 930) },
        ],
        finish: at(4560, 680, 300),
      },
      candidates: [
        { id: 'row-1', part: 'filter-1', label: 'Behind the left wheel arch', ...at(4050, 550, 420), reason: 'Reached with the wheel off, out of the spray.' }, // prettier-ignore
        { id: 'row-2', part: 'filter-1', label: 'On the rail beside the gearbox', ...at(900, 480, 380) },
      ],
    },
  },
  ['controlled'],
  { supply: [10, 4.6], earth: [10, 1.2], inside: 0.3, fuses: [20] },
);

/** Millimetres rearward, left and up from the datum. */
function at(rearward: number, left: number, up: number) {
  return { rearward: mm(rearward), left: mm(left), up: mm(up) };
}

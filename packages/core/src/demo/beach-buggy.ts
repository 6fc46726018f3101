import { blankJob, type Job } from '../job/job.ts';
import { part, hp, inch, kPa, lay, litre, mm, percent, plain, psi, pumpClasses, um } from './build.ts';

/** Just begun: a carburetted buggy, half of it not measured yet. */
export const beachBuggy: Job = {
  ...blankJob('Beach patrol buggy: keep the carburettor', 'Sandrake patrol buggy, foam-filled cell'),
  brief: {
    induction: 'carburettor',
    power: hp(68),
    aspiration: 'natural',
    fuel: 'petrol',
    ethanol: percent(5),
    railPressure: psi(4),
    wishes: 'Starts after standing a week. Cell stays; foam stays in.',
  },
  survey: {
    tank: {
      capacity: litre(30),
      shape: 'cylinder',
      length: mm(520),
      foam: true,
      coating: 'aluminium',
      vent: 'rollOver',
      cap: 'sealed',
    },
    stopsWithEngine: true,
    crashShutOff: true,
    lines: [],
    notes: 'Measure the cell when the seat is out.',
  },
  layout: { key: 'carburettorDeadHead' },
  ...lay(
    [
      part('tank', 'tank-1', { pickup: 'bottomOutlet' }),
      part('hose', 'hose-1', {
        label: 'Suction hose',
        length: mm(450),
        bore: mm(8),
        construction: 'r7',
        immersed: false,
      }),
      part('filter', 'filter-1', { label: 'Coarse filter', role: 'coarseFilter', rating: um(74), dirt: plain(1) }),
      part('pump', 'pump-1', {
        label: 'Pump under the floor',
        place: 'external',
        tables: pumpClasses.carburettor120,
      }),
      part('hardLine', 'hard-line-1', {
        label: 'Feed line',
        role: 'feedLine',
        outsideDiameter: mm(8),
        wall: mm(1),
        material: 'copperNickel',
        bends: 5,
      }),
      part('regulator', 'regulator-1', {
        label: 'Dead-head regulator',
        action: 'deadHead',
        setPressure: psi(4),
        slope: kPa(1),
        referenced: false,
      }),
      part('hose', 'hose-2', {
        label: 'Carburettor hose',
        role: 'carburettorHose',
        length: inch(14),
        bore: mm(8),
        construction: 'r7',
        immersed: false,
      }),
      part('carburettor', 'carburettor-1', { needleLimit: psi(6) }),
    ],
    ['tank-1.pickup-1 hose-1 filter-1 pump-1 hard-line-1 regulator-1 hose-2 carburettor-1.in'],
    { 'hose-1': 'worm', 'hose-2': 'worm' },
  ),
};

import { blankJob, type Job } from '../job/job.ts';
import { amp, component, hp, inch, kPa, litre, mm, percent, plain, psi, pumpClasses, um } from './build.ts';

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
    lines: [],
    notes: 'Measure the cell when the seat is out.',
  },
  layout: { key: 'carburettorDeadHead' },
  run: {
    supply: [
      component('tank', 'tank-1', { pickup: 'bottomOutlet' }),
      component('hose', 'hose-1', {
        label: 'Suction hose',
        length: mm(450),
        bore: mm(8),
        construction: 'r7',
        immersed: false,
        clamp: 'worm',
      }),
      component('filter', 'filter-1', { label: 'Coarse filter', rating: um(74), dirt: plain(1) }),
      component('pump', 'pump-1', {
        label: 'Pump under the floor',
        place: 'external',
        tables: pumpClasses.carburettor120,
        fuse: amp(5),
      }),
      component('hardLine', 'hard-line-1', {
        label: 'Feed line',
        outsideDiameter: mm(8),
        wall: mm(1),
        material: 'copperNickel',
        bends: 5,
      }),
      component('regulator', 'regulator-1', {
        label: 'Dead-head regulator',
        action: 'deadHead',
        setPressure: psi(4),
        slope: kPa(1),
        referenced: false,
      }),
      component('hose', 'hose-2', {
        label: 'Carburettor hose',
        length: inch(14),
        bore: mm(8),
        construction: 'r7',
        immersed: false,
        clamp: 'worm',
      }),
      component('carburettor', 'carburettor-1', { needleLimit: psi(6) }),
    ],
    return: [],
  },
};

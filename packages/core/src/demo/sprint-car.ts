import { blankJob, type Job } from '../job/job.ts';
import { amp, bar, component, female, hp, inch, kPa, litre, lph, male, mm, percent, plain, pumpClasses, um } from './build.ts';

/** Measured, but the numbers do not hold: a boosted car on ethanol blend with one pump. */
export const sprintCar: Job = {
  ...blankJob('Club sprint car: ethanol blend', 'Osprey Hill club sprinter, steel cell'),
  brief: {
    induction: 'injection', power: hp(430), aspiration: 'turbo', boost: kPa(120), fuel: 'petrol', ethanol: percent(85), quotedMultiplier: plain(1.32),
    railPressure: bar(3), manifoldReference: true, injectors: 6, reversible: false,
    wishes: 'Two-minute runs, then trailer. Same tank for practice on petrol.',
  },
  survey: {
    tank: {
      depth: mm(255), capacity: litre(45), outletHeight: mm(255), coating: 'zinc', vent: 'rollOver', ventHeight: mm(500), fillerHeight: mm(430), cap: 'sealed',
    },
    railHeight: mm(540), stopsWithEngine: true, crashShutOff: true, lines: [],
  },
  layout: { key: 'bypassAfterRail' },
  run: {
    supply: [
      component('tank', 'tank-1', { pickup: 'hanger' }),
      component('sock', 'sock-1', { rating: um(100), ratedFlow: lph(340), ratedDrop: kPa(0.8) }),
      component('pump', 'pump-1', { label: 'Hanger pump', place: 'inTank', tables: pumpClasses.injection340, checkValve: true, fuse: amp(25) }),
      component('hose', 'hose-1', { label: 'Hanger hose', length: mm(150), bore: mm(8.7), construction: 'r10', immersed: true, clamp: 'band' }),
      component('hose', 'hose-2', { label: 'Feed hose', length: mm(2300), bore: mm(8), construction: 'ptfe', immersed: false, clamp: 'hoseEnds' }),
      component('filter', 'filter-1', { label: 'Fine filter', rating: um(10), ratedFlow: lph(400), ratedDrop: kPa(5), maximumPressure: bar(20), reversed: false }),
      component('hardLine', 'hard-line-1', {
        label: 'Bulkhead line', length: mm(420), outsideDiameter: inch(3 / 8), wall: inch(0.035), material: 'aluminium3003', bends: 2, outletPort: male('flare37', '−6'),
      }),
      component('fitting', 'fitting-1', { label: 'Rail hose end', shape: 'elbow90Swept', bore: mm(7), inletPort: female('flare37', '−6'), outletPort: female('flare37', '−6') }),
      component('rail', 'rail-1', { injectors: 6, bore: mm(14), length: mm(560), unusedPorts: 0, inletPort: male('flare37', '−6') }),
      component('regulator', 'regulator-1', { label: 'Bypass regulator', action: 'bypass', setPressure: bar(3), adjustable: true, referenced: true, seatBore: mm(7) }),
    ],
    return: [
      component('hose', 'hose-3', { label: 'Return hose', length: mm(2600), bore: mm(8), construction: 'ptfe', immersed: false, clamp: 'hoseEnds' }),
      component('returnDrop', 'return-drop-1', { endHeight: mm(20), pickupDistance: mm(150), bore: mm(8), length: mm(235) }),
    ],
  },
};

import { blankJob, type Job } from '../job/job.ts';
import { amp, bar, bsfc, component, female, inch, kPa, kW, litre, lph, male, mm, percent, plain, pumpClasses, um } from './build.ts';

/** Finished and clean: a mail van with its regulator by the tank at a fixed pressure. */
export const mailVan: Job = {
  ...blankJob('Mail van 4: injected two-litre', 'Pellit Post van, high roof, north round'),
  state: 'finished',
  brief: {
    induction: 'injection', power: kW(92), aspiration: 'natural', bsfc: bsfc(0.5), fuel: 'petrol', ethanol: percent(10),
    railPressure: bar(4), manifoldReference: false, injectors: 4, reversible: true,
    wishes: 'Keep the load floor. Quiet pump: the driver is in and out all day.',
  },
  survey: {
    tank: {
      depth: mm(236), capacity: litre(58), outletHeight: mm(236), coating: 'polyethylene', vent: 'rollOver', ventHeight: mm(640), fillerHeight: mm(590), cap: 'sealed',
    },
    railHeight: mm(610), stopsWithEngine: true, crashShutOff: true,
    lines: [{ id: 'line-1', label: 'Factory feed', outsideDiameter: mm(8), wall: mm(1), length: mm(3400), material: 'steelCoated', condition: 'sound' }],
    notes: 'Factory feed line kept: blown through, no rust out.',
  },
  layout: { key: 'bypassAtTank', reason: 'One sound factory line forward; the engine control expects a fixed 4 bar.' },
  run: {
    supply: [
      component('tank', 'tank-1', { pickup: 'hanger' }),
      component('sock', 'sock-1', { rating: um(70) }),
      component('pump', 'pump-1', { label: 'Hanger pump', place: 'inTank', tables: pumpClasses.injection255, checkValve: true, reliefPressure: kPa(650), fuse: amp(15) }),
      component('hose', 'hose-1', {
        label: 'Hanger hose', length: mm(140), bore: mm(8), construction: 'r10', immersed: true, clamp: 'band', outletPort: female('hose', '5/16'),
      }),
      component('filter', 'filter-1', {
        label: 'Fine filter', rating: um(10), ratedFlow: lph(200), ratedDrop: kPa(6), dirt: plain(1), maximumPressure: bar(10), reversed: false,
        inletPort: male('bead', '5/16'), outletPort: male('quickConnector', '5/16'),
      }),
      component('regulator', 'regulator-1', { label: 'Tank regulator', action: 'bypass', setPressure: bar(4), referenced: false, seatBore: mm(6) }),
      component('hardLine', 'hard-line-1', {
        label: 'Factory feed line', length: mm(3400), outsideDiameter: mm(8), wall: mm(1), material: 'steelCoated', bends: 7, outletPort: male('bead', '5/16'),
      }),
      component('hose', 'hose-2', {
        label: 'Engine feed hose', length: mm(420), bore: mm(8), construction: 'r9', immersed: false, clamp: 'band',
        inletPort: female('hose', '5/16'), outletPort: female('hose', '5/16'),
      }),
      component('rail', 'rail-1', { injectors: 4, bore: mm(12), length: inch(15), unusedPorts: 1, closedPorts: 1, inletPort: male('bead', '5/16') }),
    ],
    return: [
      component('hose', 'hose-3', { label: 'Return hose', length: mm(260), bore: mm(8), construction: 'r9', immersed: false, clamp: 'band' }),
      component('returnDrop', 'return-drop-1', { endHeight: mm(19), pickupDistance: mm(160), bore: mm(7.5), length: mm(215) }),
    ],
  },
};

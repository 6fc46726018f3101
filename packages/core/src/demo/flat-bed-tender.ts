import { blankJob, type Job } from '../job/job.ts';
import { amp, bar, component, female, hp, inch, kPa, litre, lph, male, mm, percent, plain, pumpClasses, um } from './build.ts';

/** In the middle of the work, with several snags: a carburetted flat-bed taking an injected four. */
export const flatBedTender: Job = {
  ...blankJob('Tarrow 30 tender: injected four', 'Tarrow 30 flat-bed, jetty tender'),
  brief: {
    induction: 'injection', power: hp(210), aspiration: 'turbo', boost: kPa(70), fuel: 'petrol', ethanol: percent(10),
    railPressure: bar(3), manifoldReference: true, injectors: 4, reversible: false,
    wishes: 'Keep the factory gauge. Tank stays where it is, behind the cab.',
  },
  survey: {
    tank: {
      depth: inch(9 + 1 / 16), capacity: litre(64), outletHeight: mm(230), coating: 'terne', vent: 'open', ventHeight: mm(480), fillerHeight: mm(520), cap: 'vented',
    },
    railHeight: mm(720), stopsWithEngine: true,
    lines: [
      { id: 'line-1', label: 'Factory feed', outsideDiameter: inch(5 / 16), wall: mm(0.9), length: mm(2900), material: 'steelCoated', condition: 'sound' },
      { id: 'line-2', label: 'Breather', outsideDiameter: mm(6), wall: mm(0.8), length: mm(1500), material: 'steelCoated', condition: 'doubtful' },
    ],
    notes: 'Saddle over the shaft, both lobes the same depth. Drain plug on the left lobe only.',
  },
  layout: { key: 'bypassAfterRail', reason: 'Boosted: the regulator needs the manifold, so it goes after the rail.' },
  run: {
    supply: [
      component('tank', 'tank-1', { pickup: 'hanger' }),
      component('filter', 'filter-2', { label: 'Fine filter on the pickup', rating: um(10), ratedFlow: lph(150), ratedDrop: kPa(8), dirt: plain(1) }),
      component('pump', 'pump-1', { label: 'Hanger pump', place: 'inTank', tables: pumpClasses.injection340, checkValve: true, fuse: amp(15) }),
      component('hose', 'hose-1', { label: 'Hanger hose', length: mm(160), bore: mm(8), construction: 'r9', immersed: true, clamp: 'band' }),
      component('filter', 'filter-1', {
        label: 'Fine filter', rating: um(10), ratedFlow: lph(255), ratedDrop: kPa(6), maximumPressure: bar(5), reversed: false, outletPort: female('oRingBoss', '−6'),
      }),
      component('hardLine', 'hard-line-1', {
        label: 'Feed line', length: mm(2900), outsideDiameter: inch(5 / 16), wall: mm(0.9), material: 'steelCoated', bends: 6, inletPort: male('flare37', '−6'),
      }),
      component('hose', 'hose-2', { label: 'Engine feed hose', length: mm(520), bore: mm(8), construction: 'r7', immersed: false, clamp: 'worm' }),
      component('fitting', 'fitting-1', { label: 'Rail elbow', shape: 'elbow90Tight', bore: mm(6.5) }),
      component('rail', 'rail-1', { injectors: 4, bore: mm(11), length: mm(390), unusedPorts: 1, closedPorts: 0 }),
      component('regulator', 'regulator-1', { label: 'Bypass regulator', action: 'bypass', setPressure: bar(3), adjustable: true, referenced: true }),
    ],
    return: [
      component('hose', 'hose-3', { label: 'Regulator hose', length: mm(480), bore: mm(6), construction: 'r7', immersed: false, clamp: 'worm' }),
      component('hardLine', 'hard-line-2', {
        label: 'Return line', length: mm(2700), outsideDiameter: mm(6), wall: mm(1), material: 'steelCoated', bends: 6,
      }),
      component('returnDrop', 'return-drop-1', { endHeight: mm(150), pickupDistance: mm(60), bore: mm(5), length: mm(80) }),
    ],
  },
};

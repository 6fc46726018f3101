import { expect } from 'chai';
import { horsepower, poundsPerHorsepowerHour } from '../units/quick.ts';
import { fullLoadDemand, usualBsfc } from './demand.ts';

describe('fuel demand at full load', () => {
  it('is 240 lb/h = 108.9 kg/h = 146 L/h of petrol for 400 hp at 0.60 lb/(hp·h) (worked example, common practice)', () => {
    const demand = fullLoadDemand(horsepower(400), poundsPerHorsepowerHour(0.6), { family: 'petrol', ethanol: 0 });
    expect(demand.massFlow * 3600).to.be.closeTo(108.86, 0.01);
    expect((demand.massFlow * 3600) / 0.45359237).to.be.closeTo(240, 0.01);
    expect(demand.volumeFlow * 3.6e6).to.be.closeTo(146.1, 0.1);
  });
  it('grows with ethanol by mass 14.7/AFR and by volume 1.426 for E85', () => {
    const petrol = fullLoadDemand(1e5, usualBsfc.natural, { family: 'petrol', ethanol: 0 });
    const blend = fullLoadDemand(1e5, usualBsfc.natural, { family: 'petrol', ethanol: 0.85 });
    expect(blend.massFlow / petrol.massFlow).to.be.closeTo(1.498, 1e-3);
    expect(blend.volumeFlow / petrol.volumeFlow).to.be.closeTo(1.426, 1e-3);
  });
});

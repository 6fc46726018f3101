import { expect } from 'chai';
import { cleanJob } from '../../test/rule-cases.ts';
import { valueAt } from '../acts/at-path.ts';
import { assumptionProperties, type AssumptionKey } from '../job/assumption.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { workingsOf } from './workings.ts';

const working = (job: Job, key: string) => workingsOf(findingsOf(job)).find((w) => w.key === key)!;
const term = (w: ReturnType<typeof working>, symbol: string) => w.terms.find((t) => t.symbol === symbol)!.figure.si;

describe('working of suction and heat', () => {
  for (const [name, job] of Object.entries({
    van: cleanJob(),
    pickup: demoJobs.rescuePickup,
    sprint: demoJobs.sprintCar,
  }))
    it(`${name}: the suction margin follows its formula, and its parts add up to it`, () => {
      for (const key of ['idle', 'fullLoadHot', 'hotRestart']) {
        const w = working(job, `suction:${key}`);
        const head = (term(w, 'p_atm') + term(w, 'p_in') - term(w, 'p_v')) / (term(w, 'ρ') * 9.80665);
        expect(head).to.be.closeTo(w.result.si, 1e-9);
        expect(w.parts.reduce((sum, p) => sum + p.figure.si, 0)).to.be.closeTo(w.result.si, 1e-9);
        expect(w.result.si).to.equal(findingsOf(job).solution!.points[key]!.suctionMargin);
      }
    });
  it('the drive’s result is the last of its steps, and its terms are those that were reckoned with', () => {
    const w = working(demoJobs.rescuePickup, 'drive');
    const { drive, solution } = findingsOf(demoJobs.rescuePickup);
    expect(w.result.si).to.equal(drive!.steps.at(-1)!.tank);
    // the run is solved again where the drive ends: warmer and lower, its flows are a little other than at its start
    const { circuit, around } = drive!.end;
    expect(term(w, 'Q_back')).to.equal(circuit.back);
    expect(circuit.back / solution!.points.cruise.pot!.overflow).to.be.closeTo(1, 0.01);
    expect(term(w, 'T_back')).to.equal(around.backTemperature);
    expect(term(w, 'T_back')).to.be.greaterThan(w.result.si);
    expect(term(w, 'P')).to.equal(circuit.pumpPower + circuit.pot!.pumpPower);
    expect(term(w, 'P') / solution!.points.cruise.pumpPower!).to.be.closeTo(1, 0.02);
  });
  it('names the correlation of the blend, and says where it is extrapolated', () => {
    const of = (ethanol: number, temperature = 20) =>
      working(
        cleanJob((j) => {
          j.brief.ethanol!.si = ethanol;
          j.assumptions.fuelTemperature = { si: temperature + 273.15, unit: '°C' };
        }),
        'suction:idle',
      );
    const source = (ethanol: number) => of(ethanol).terms.find((t) => t.symbol === 'p_v')!.source;
    expect(source(0)).to.equal('EPA AP-42 7.1');
    expect(source(0.1)).to.include('Wilson');
    expect(source(1)).to.include('Antoine');
    expect(of(0.85, 61).remarks.join()).to.include('extrapolated');
    expect(of(0.85, 59).remarks.join()).to.not.include('extrapolated');
  });
  it('of the worst suction says where it is, and adds up like the others', () => {
    const worst = working(demoJobs.rescuePickup, 'suction:worst');
    expect(worst.title).to.equal('Suction margin, worst');
    expect(worst.remarks[0]).to.include('charging voltage').and.to.include('dirty sock');
    expect(worst.parts.reduce((sum, p) => sum + p.figure.si, 0)).to.be.closeTo(worst.result.si, 1e-9);
    const choked = working(demoJobs.flatBedTender, 'suction:worst');
    expect(choked.remarks.join()).to.include('choked');
  });
  it('every term with a field leads to one that is there', () => {
    for (const w of workingsOf(findingsOf(demoJobs.rescuePickup)))
      for (const t of w.terms)
        if (t.path?.[0] === 'wiring')
          expect(valueAt(demoJobs.rescuePickup, t.path.slice(0, 3)), t.path.join(' ')).to.be.an('object');
        else if (t.path) expect(['assumptions', 'brief', 'survey', 'run']).to.include(t.path[0]);
  });
  it('of the volts at a pump lists every stretch with its ohms, and adds up to them', () => {
    const { wiring } = findingsOf(demoJobs.rescuePickup);
    for (const pump of wiring!.pumps) {
      const w = working(demoJobs.rescuePickup, `voltage:${pump.part}`);
      const at = pump.at.fullLoadHot!;
      expect(w.result.si).to.equal(at.volts);
      expect(w.parts.reduce((sum, p) => sum + p.figure.si, 0)).to.be.closeTo(w.result.si, 1e-9);
      // all but rounding is told by a stretch
      expect(w.parts.at(-1)!.figure.si).to.be.closeTo(0, 1e-9);
      expect(w.terms.filter((t) => t.symbol === 'R')).to.have.length(at.legs.length);
      const wire = w.terms.find((t) => t.name.startsWith('wire 20'));
      if (pump.part === 'pump-2') expect(wire!.name).to.match(/12 AWG, 2200 mm at 60 °C$/);
    }
  });
  it('a typical value is called so until the fitter gives his own, at the point or for the job', () => {
    const temperature = (change: (job: Job) => void) => {
      const { source, path } = working(cleanJob(change), 'railPressure:hotRestart').terms.find(
        ({ symbol }) => symbol === 'T',
      )!;
      return { source, path };
    };
    const hot = ['assumptions', 'hotFuelTemperature'];
    expect(temperature((j) => delete j.assumptions.hotFuelTemperature)).to.deep.equal({
      source: 'typical, set what this vehicle meets',
      path: hot,
    });
    const own = { si: 320, unit: '°C' };
    expect(temperature((j) => (j.assumptions.hotFuelTemperature = own))).to.deep.equal({ source: 'chosen', path: hot });
    expect(temperature((j) => (j.points = { hotRestart: { temperature: own } }))).to.deep.equal({
      source: 'chosen',
      path: ['points', 'hotRestart', 'temperature'],
    });
  });
  it('the field that a term leads to holds the figure that was reckoned with', () => {
    // every figure set apart from its usual value: what stands at the path must be what the term shows
    const job = cleanJob((j) => {
      for (const [key, property] of Object.entries(assumptionProperties))
        j.assumptions[key as AssumptionKey] = { si: property.typical!.si * 1.001, unit: property.field.unit };
      j.points = {
        idle: { voltage: { si: 13.9, unit: 'V' } },
        own: [{ id: 'climb', load: { si: 0.5, unit: '%' }, manifold: { si: -1e4, unit: 'kPa' } }],
      };
    });
    const terms = workingsOf(findingsOf(job)).flatMap((w) => w.terms.map((t) => ({ ...t, of: w.key })));
    let checked = 0;
    for (const { path, figure, symbol, of } of terms) {
      if (path?.[0] !== 'assumptions' && path?.[0] !== 'points') continue;
      if (symbol === 'p_v' || symbol === 'UA_rail') continue; // computed from what stands there
      if (symbol === 'U' && of.startsWith('railPressure')) continue; // at the pump, after the wiring
      expect(figure.si, `${of} ${symbol}`).to.equal((valueAt(job, path) as { si: number }).si);
      checked++;
    }
    expect(checked).to.be.greaterThan(25);
  });
});

import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { fuelOf } from '../reckoning/brief-values.ts';
import { networkAt } from '../run/network-at.ts';
import { resultAt } from '../run/solve-run.ts';
import type { Job } from '../job/job.ts';
import type { Part } from '../parts/kinds.ts';
import { jobFromNetwork } from './job-from-network.ts';
import { readInp } from '../networks/read-inp.ts';
import { writeInp } from '../networks/write-inp.ts';
import { solveNetwork } from '../hydraulics/solve-network.ts';

const POINT = 'fullLoad';

/** The job's run at full load, out as a file and back in. */
function back(job: Job) {
  const result = resultAt(findingsOf(job).solution!, POINT);
  const network = networkAt(job, fuelOf(job)!, result);
  const solved = solveNetwork(network);
  const plain = readInp(writeInp(network, job.name, solved.ok ? solved.value : undefined));
  if (!plain.ok) throw new Error(plain.fault.message);
  const read = jobFromNetwork(plain.value);
  if (!read.ok) throw new Error(read.fault);
  return { result, ...read.value };
}
const kinds = (job: Job) =>
  Object.values(job.parts).reduce<Record<string, number>>((n, p) => ({ ...n, [p.kind]: (n[p.kind] ?? 0) + 1 }), {});
const the = <K extends Part['kind']>(job: Job, kind: K) =>
  Object.values(job.parts).find((p) => p.kind === kind) as Extract<Part, { kind: K }>;

/** With the engine and the tank of the other, which no such file tells; pumps at the volts of that point, as they were told. */
function withEngineOf(own: Job, from: Job, volts: number): Job {
  const { brief, assumptions, points, survey } = from;
  const parts = Object.fromEntries(
    Object.entries(own.parts).map(([id, p]) => [
      id,
      p.kind === 'pump' ? { ...p, tables: p.tables!.map((t) => ({ ...t, voltage: { si: volts, unit: 'V' } })) } : p,
    ]),
  );
  return { ...own, brief, assumptions, ...(points ? { points } : {}), survey, parts };
}

const file = (more: string, title = 'A run') =>
  `[TITLE]\n${title}\n[OPTIONS]\nUNITS LPM\nHEADLOSS D-W\nSPECIFIC GRAVITY 0.745\nVISCOSITY 7e-7\n${more}`;
const simple = `[JUNCTIONS]\na 0 0\nb 0.5 1\n[RESERVOIRS]\nt 0.2\n[PIPES]\nline b c 1 6 0.0015 0 OPEN\n[PUMPS]\np t a HEAD k\n[CURVES]\nk 0 60\nk 4 30\nk 6 1\n`;

describe('a network file as a job', () => {
  // what differs is told: entrance losses come twice, as the file's and as computed from bores; fittings keep their loss at one flow
  for (const name of ['mailVan', 'sprintCar', 'flatBedTender'] as const)
    it(`${name}: its run goes out and comes back, and the rail stands within 2 % of where it stood`, () => {
      const original = demoJobs[name];
      const { job, result } = back(original);
      const again = resultAt(findingsOf(withEngineOf(job, original, result.point.voltage)).solution!, POINT);
      expect(again.railPressure).to.be.closeTo(result.railPressure, 0.02 * result.railPressure);
      expect(again.delivered).to.be.closeTo(result.delivered, 1e-9);
    });
  it('a swirl pot comes back as the tee that such a file holds in its place, and Endrel says what is wrong with that', () => {
    const original = demoJobs.rescuePickup;
    const { job, result } = back(original);
    expect(kinds(job)).to.include({ pump: 2, rail: 2, regulator: 1 });
    const { solution, faults } = findingsOf(withEngineOf(job, original, result.point.voltage));
    expect([solution, faults.map((f) => f.code)]).to.deep.equal([undefined, ['returnIntoSupply']]);
  });
  it('has the parts that were there, with their measurements', () => {
    const { job, notes } = back(demoJobs.mailVan);
    expect(kinds(job)).to.include({ tank: 1, pump: 1, hardLine: 2, hose: 3, regulator: 1, rail: 1, filter: 2 }); // its sock is a loss curve too
    expect(the(job, 'rail')).to.include({ injectors: 4 });
    expect(the(job, 'rail').length!.si).to.be.closeTo(0.381, 1e-6); // five pieces of 76.2 mm
    expect(the(job, 'regulator').setPressure!.si).to.be.closeTo(4e5, 0.02e5);
    expect(the(job, 'regulator').slope!.si).to.be.greaterThan(0);
    expect(the(job, 'pump').reliefPressure!.si).to.be.closeTo(650e3, 1e3);
    expect(the(job, 'pump').place, 'not told by such a file').to.equal(undefined);
    expect(the(job, 'hardLine').length!.si).to.be.closeTo(3.4, 1e-9);
    expect(job.survey.railHeight!.si).to.be.closeTo(0.61, 1e-6);
    expect(notes.join(' ')).to.contain('13.5 V').and.contain('1 mm');
  });
  it('tees stand where more than two parts meet, and what is closed is left out', () => {
    const text = file(`${simple.replace('line b c', 'line a b')}[STATUS]\n`);
    const branch = text
      .replace('[PUMPS]', 'one a x 1 6 0.01 0 OPEN\ntwo x b 1 6 0.01 0 OPEN\n[PUMPS]')
      .replace('a 0 0', 'a 0 0\nx 0 0');
    const plain = readInp(branch);
    if (!plain.ok) throw new Error(plain.fault.message);
    const read = jobFromNetwork(plain.value);
    if (!read.ok) throw new Error(read.fault);
    // at a the pump and two lines; at b two lines and the rail, whose other end takes the second
    expect(kinds(read.value.job)).to.deep.equal({ tank: 1, pump: 1, hardLine: 1, hose: 2, rail: 1, tee: 1 });
    expect(Object.values(read.value.job.joints)).to.have.length(7);
    const shut = readInp(branch.replace('[STATUS]', '[STATUS]\none CLOSED'));
    if (!shut.ok) throw new Error(shut.fault.message);
    const left = jobFromNetwork(shut.value);
    expect(left.ok && kinds(left.value.job)).to.deep.equal({ tank: 1, pump: 1, hardLine: 1, hose: 1, rail: 1 });
  });
  it('says why a network is no run of fuel', () => {
    const why = (text: string) => {
      const plain = readInp(text);
      if (!plain.ok) throw new Error(plain.fault.message);
      const read = jobFromNetwork(plain.value);
      return read.ok ? 'a run' : read.fault;
    };
    const good = file(simple.replace('line b c', 'line a b'));
    expect(why(good)).to.equal('a run');
    expect(why(good.replace('b 0.5 1', 'b 0.5 0'))).to.contain('no junction has a demand');
    expect(
      why(
        good
          .replace(/\[PUMPS\]\n.*\n/, '')
          .replace('line a b', 'line t b')
          .replace('a 0 0\n', ''),
      ),
    ).to.contain('no pump');
    const many = (n: number) =>
      good.replace(
        '[PUMPS]',
        `${Array.from({ length: n }, (_, i) => `x${i} a b 1 6 0.01 0 OPEN`).join('\n')}\n[PUMPS]`,
      );
    expect(why(many(799))).to.contain('it has 801 links');
    expect(why(many(240))).to.contain('parts, and a job holds 200');
    expect(why(good.replaceAll('b 0.5', 'constructor 0.5').replace('line a b', 'line a constructor'))).to.contain(
      'cannot be used',
    );
    // a water main: what no part can be is named by its field, and nothing is thrown
    expect(why(good.replace('1 6 0.0015', '1 600 0.0015'))).to.contain('tube outside diameter');
    // 0.6 m between the surfaces is still one tank, more is not
    const two = (at: number) =>
      good.replace('t 0.2', `t 0.2\nr ${at}`).replace('[PUMPS]', 'return a r 2 6 0.01 0 OPEN\n[PUMPS]');
    expect(why(two(0.79))).to.equal('a run');
    expect(why(two(0.81))).to.contain('0.61 m apart');
  });
});

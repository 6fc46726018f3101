import { expect } from 'chai';
import { wire } from '../../test/simple-wiring.ts';
import { changed, cleanJob, get } from '../../test/rule-cases.ts';
import { snagsOf } from '../checks/snags.ts';
import { demoJobs } from '../demo/index.ts';
import { tryAct } from '../acts/apply-act.ts';
import type { Job } from '../job/job.ts';
import { lastingMaterials } from '../ratings/material-fuel.ts';
import { lineMatrix, lineStress } from './line-matrix.ts';
import type { PartOf } from '../parts/kinds.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { celsius, kPa, mm } from '../units/quick.ts';
import { hoseConstructions, tightestBend } from '../ratings/hose-construction.ts';
import { lineChecks, rateLine, type LineStress } from './line-ratings.ts';

const si = (value: number, unit = 'mm') => ({ si: value, unit });
const hose = (rest: Partial<PartOf<'hose'>>): PartOf<'hose'> => ({
  kind: 'hose',
  id: 'h',
  bore: si(0.008),
  construction: 'r9',
  ...rest,
});
const stress = (rest: Partial<LineStress> = {}): LineStress => ({
  fuel: { family: 'petrol', ethanol: 0.1 },
  running: kPa(400),
  worst: kPa(500),
  temperature: celsius(90),
  zone: 'bay',
  ...rest,
});
const verdicts = (line: PartOf<'hose' | 'hardLine'>, at: LineStress) =>
  Object.fromEntries(rateLine(line, at).map((r) => [r.check, r.verdict]));

describe('every length against every check', () => {
  it('holds SAE 30R9 to 690 kPa (SAE J30, from memory): fine below, watched where only dead-head passes it, attacked above', () => {
    const at = (running: number, worst: number) =>
      verdicts(hose({}), stress({ running: kPa(running), worst: kPa(worst) })).pressure;
    expect([at(400, 689), at(400, 691), at(691, 700)]).to.deep.equal(['fine', 'watch', 'attacked']);
  });
  it('holds hose to its heat, just under and just over', () => {
    const at = (degrees: number) => verdicts(hose({}), stress({ temperature: celsius(degrees) })).temperature;
    expect([at(124), at(126)]).to.deep.equal(['fine', 'attacked']);
  });
  it('holds hose to its tightest bend: −6 rubber 65 mm, −6 PTFE 50 to 75 mm, −10 115 mm (handbook values, from memory)', () => {
    expect(tightestBend(hoseConstructions.braidedRubber, mm(8.7))).to.be.closeTo(mm(65), mm(1));
    expect(tightestBend(hoseConstructions.ptfe, mm(8))).to.be.within(mm(50), mm(75));
    expect(tightestBend(hoseConstructions.ptfe, mm(10.2))).to.be.within(mm(75), mm(100));
    expect(tightestBend(hoseConstructions.r9, mm(14.2))).to.be.closeTo(mm(115), mm(2));
    const at = (radius: number) => verdicts(hose({ bend: si(radius) }), stress()).bend;
    expect([at(0.0641), at(0.0639)]).to.deep.equal(['fine', 'attacked']);
  });
  it('asks for what is unknown, and says nothing where nothing can be said', () => {
    const bare = verdicts(hose({ construction: undefined }), stress({ fuel: undefined }));
    expect(bare).to.include({ pressure: 'ask', fuel: 'ask', temperature: 'ask', bend: 'ask', age: 'ask' });
    expect(verdicts(hose({}), stress()).immersion).to.equal('none');
    expect(verdicts(hose({ immersed: true }), stress({ zone: 'tank' }))).to.include({
      immersion: 'attacked',
      permeation: 'none',
    });
    expect(verdicts(hose({ immersed: true, construction: 'r10' }), stress({ zone: 'tank' })).immersion).to.equal(
      'fine',
    );
  });
  it('tells old hose and hose that breathes', () => {
    expect([10, 11].map((years) => verdicts(hose({ years }), stress()).age)).to.deep.equal(['fine', 'watch']);
    expect(verdicts(hose({ construction: 'r7' }), stress()).permeation).to.equal('watch');
    expect(verdicts(hose({}), stress()).permeation).to.equal('fine');
  });
  it('reckons hard line by Barlow: 3/8 × 0.035 in of 304 holds 24 MPa', () => {
    const tube: PartOf<'hardLine'> = {
      kind: 'hardLine',
      id: 'l',
      material: 'stainless304',
      outsideDiameter: si(0.009525),
      wall: si(0.000889),
    };
    const [pressure] = rateLine(tube, stress());
    expect(pressure!.rated).to.deep.include({ kind: 'pressure' });
    expect((pressure!.rated as { si: number }).si).to.be.closeTo(24.03e6, 1e4);
    expect(verdicts(tube, stress({ worst: 24.1e6 })).pressure).to.equal('watch');
  });
  it('gives every check a cell and a source, for every line of every demo job', () => {
    for (const job of Object.values(demoJobs))
      for (const row of lineMatrix(findingsOf(job)).filter((r) => r.ratings.length > 1)) {
        expect(row.ratings.map((r) => r.check)).to.deep.equal(Object.keys(lineChecks));
        for (const rating of row.ratings) expect(rating.source).to.match(/\w/);
      }
  });
});

describe('what a length meets where it lies', () => {
  const at = (change: Partial<PartOf<'hose'>>) => {
    const job = cleanJob((j) => Object.assign(get(j, 'hose', 1), change));
    return lineStress(findingsOf(job), get(job, 'hose', 1));
  };
  it('is hottest beside the exhaust, less with a shield or a sleeve, and the fuel’s own in the tank', () => {
    const near = at({ lies: 'exhaust', exhaustGap: si(0.02) }).temperature!;
    const shielded = at({ lies: 'exhaust', exhaustGap: si(0.02), shielded: true }).temperature!;
    expect(near).to.be.greaterThan(shielded + 20);
    expect(at({ lies: 'bay' }).temperature!).to.be.lessThan(near);
    expect(at({ lies: 'tank' }).temperature!).to.be.at.most(at({ lies: 'bay' }).temperature!);
  });
  it('is dead-head pressure upstream of the regulator', () => {
    const job = changed(cleanJob(), (j) => delete get(j, 'pump').reliefPressure);
    const { running, worst } = lineStress(findingsOf(job), get(job, 'hose', 0));
    expect(worst!).to.be.greaterThan(running!);
  });
  it('knows the wires in the tank and the seals', () => {
    const job = cleanJob((j) => {
      wire(j, { inside: { insulation: 'pvc105' } });
      get(j, 'filter').seals = 'nbr';
    });
    const rows = lineMatrix(findingsOf(job)).filter((r) => r.ratings.length === 1);
    expect(rows.map((r) => [r.part, r.ratings[0]!.verdict])).to.deep.include([undefined, 'attacked']);
    expect(rows.some((r) => r.name.startsWith('Seals of'))).to.equal(true);
  });
});

describe('materials that the job knows better', () => {
  const own = (name: string, verdict: 'fine' | 'attacked') =>
    ({ [name]: { on: { high: verdict }, source: 'sheet of the maker' } }) as const;
  const e85 = (change: (job: Job) => void) =>
    cleanJob((j) => {
      j.brief.ethanol = { si: 0.85, unit: '%' };
      change(j);
    });
  const rules = (job: Job) => snagsOf(findingsOf(job)).map((s) => s.rule);
  it('silence what the table says, or say what it does not, and are cited', () => {
    const braided = (materials?: Job['materials']) =>
      e85((j) => {
        get(j, 'hose', 1).construction = 'braidedRubber';
        j.materials = materials;
      });
    const { name } = hoseConstructions.braidedRubber;
    expect(rules(braided())).to.include('ethanol-hose');
    expect(rules(braided(own(name, 'fine')))).to.not.include('ethanol-hose');
    const job = braided(own(name, 'attacked'));
    const cell = rateLine(get(job, 'hose', 1), lineStress(findingsOf(job), get(job, 'hose', 1))).find(
      (r) => r.check === 'fuel',
    )!;
    expect([cell.verdict, cell.source]).to.deep.equal(['attacked', 'sheet of the maker']);
  });
  it('are named by the snags that they make, whatever the material', () => {
    const made = (name: string, change: (job: Job) => void) =>
      snagsOf(
        findingsOf(
          e85((j) => {
            change(j);
            j.materials = own(name, 'attacked');
          }),
        ),
      ).filter((s) => s.source === 'sheet of the maker');
    const stainless = made('stainless 304', (j) => (get(j, 'hardLine').material = 'stainless304'));
    expect(stainless.map((s) => [s.rule, s.act])).to.deep.equal([['aluminium-with-ethanol', undefined]]);
    expect(stainless[0]!.what).to.match(/ is stainless 304 on an ethanol blend/);
    expect(made('stainless', (j) => (j.survey.tank.coating = 'stainless')).map((s) => s.rule)).to.deep.equal([
      'coating-attacked',
    ]);
  });
  it('decide what new adapters may be made of', () => {
    const e = { family: 'petrol', ethanol: 0.85 } as const;
    expect([...lastingMaterials(e)]).to.not.include('brass');
    expect([...lastingMaterials(e, own('brass', 'fine'))]).to.include('brass');
    expect([...lastingMaterials(e, own('stainless steel', 'attacked'))]).to.not.include('stainless');
  });
  it('are set by an act, and what is no verdict is refused', () => {
    const set = (on: object) =>
      tryAct(cleanJob(), { act: 'set', path: ['materials', 'brass'], value: { on, source: 'sheet' } }).ok;
    expect([set({ high: 'fine' }), set({ high: 'grand' }), set({ beer: 'fine' })]).to.deep.equal([true, false, false]);
  });
});

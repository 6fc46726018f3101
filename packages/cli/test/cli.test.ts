import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect } from 'chai';
import { demoJobs } from '@endrel/core/demo/index';
import type { Job } from '@endrel/core/job/job';
import { run } from '../src/main.ts';

const folder = mkdtempSync(path.join(os.tmpdir(), 'endrel-cli-'));
after(() => rmSync(folder, { recursive: true, force: true }));

function file(content: unknown): string {
  const name = path.join(folder, `${Math.random().toString(36).slice(2)}.endrel.json`);
  writeFileSync(name, typeof content === 'string' ? content : JSON.stringify(content));
  return name;
}
async function endrel(...args: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(args, { out: (t) => out.push(t), err: (t) => err.push(t) });
  return { code, out: out.join('\n'), err };
}
const broken = (change: (job: Job) => void): Job => {
  const job = structuredClone(demoJobs.mailVan);
  change(job);
  return job;
};
/** Takes a part with its joints off the run. */
function without(job: Job, id: string): void {
  delete job.parts[id];
  for (const { id: joint, a, b } of Object.values(job.joints))
    if (a.part === id || b.part === id) delete job.joints[joint];
}

describe('endrel solve', () => {
  it('exits 0 for a clean job and prints its operating points in kPa and L/h', async () => {
    const { code, out } = await endrel('solve', file(demoJobs.mailVan), '--json');
    const report = JSON.parse(out) as {
      solved: boolean;
      operatingPoints: { point: string; rail_kPa: number; pump_L_h: number; return_L_h: number; demand_L_h: number }[];
      margins: { pump: number };
      snags: unknown[];
    };
    expect(code).to.equal(0);
    expect(report.operatingPoints.map((p) => p.point)).to.deep.equal([
      'keyOn',
      'idle',
      'cruise',
      'fullLoad',
      'fullLoadHot',
      'overrun',
      'hotRestart',
    ]);
    for (const p of report.operatingPoints) {
      expect(p.rail_kPa).to.be.within(395, 410);
      expect(p.pump_L_h).to.be.closeTo(p.return_L_h + p.demand_L_h, 1e-3);
    }
    expect(report.margins.pump).to.be.greaterThan(0.15);
    expect(report.snags).to.deep.equal([]);
  });
  it('exits 1 with a stop snag', async () => {
    expect((await endrel('solve', file(demoJobs.flatBedTender))).code).to.equal(1);
  });
  it('exits 0 for a job that is only half measured, and lists what is missing', async () => {
    const { code, out } = await endrel('solve', file(demoJobs.beachBuggy), '--json');
    expect(code).to.equal(0);
    expect(JSON.parse(out)).to.deep.include({
      solved: false,
      needs: [
        'tank depth',
        'rail or carburettor height',
        'outlet height',
        'Pump under the floor: inlet height',
        'Feed line: line length',
      ],
    });
  });
  const bad: [string, () => string, RegExp][] = [
    ['a missing file', () => path.join(folder, 'none.json'), /^endrel: there is no file /],
    ['a folder', () => folder, /cannot be read [(]EISDIR[)]/],
    ['broken JSON', () => file('{"schemaVersion":'), /is not JSON/],
    [
      'a negative length',
      () => file(broken((j) => (j.survey.tank.depth!.si = -0.2))),
      /survey[.]tank[.]depth[.]si “tank depth” cannot be negative/,
    ],
    [
      'a pump table that is not monotone',
      () => file(broken((j) => ((j.parts['pump-1'] as any).tables[0].rows[3].flow.si = 1e-4))),
      /“Hanger pump” is not monotone: row 4/,
    ],
    ['a loop with no pump', () => file(broken((j) => without(j, 'pump-1'))), /The loop has no pump/],
    ['a run with a gap', () => file(broken((j) => without(j, 'hose-3'))), /There is a gap after “Tank regulator”/],
    ['a 3 MB file', () => file(' '.repeat(3 * 1024 * 1024)), /is larger than 2 MB/],
  ];
  for (const [name, make, sentence] of bad)
    it(`exits 2 on ${name}, with one clear line`, async () => {
      const { code, err } = await endrel('solve', make());
      expect(code).to.equal(2);
      expect(err).to.have.length(1);
      expect(err[0]).to.match(sentence).and.not.include('\n');
    });
  it('exits 2 on an unknown command or option', async () => {
    expect((await endrel('sovle')).code).to.equal(2);
    expect((await endrel('solve', '--yaml')).code).to.equal(2);
  });
  it('is installed as a command, and reads what it prints', () => {
    const bin = path.resolve(import.meta.dirname, '../bin/endrel.mjs');
    const demo = spawnSync(process.execPath, [bin, 'demo', 'sprintCar'], { encoding: 'utf8' });
    const solved = spawnSync(process.execPath, [bin, 'solve', '-'], { encoding: 'utf8', input: demo.stdout });
    expect(solved.status).to.equal(1);
    expect(solved.stdout).to.match(/pump margin/);
  });
});

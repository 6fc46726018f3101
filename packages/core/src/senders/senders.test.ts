import { returnDropOf } from '../hangers/hanger-findings.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { measured } from '../fields/measured.ts';
import { demoJobs } from '../demo/index.ts';
import { surveyedTank } from '../tanks/surveyed-tank.ts';
import { arcClearance } from './arc-clearance.ts';
import { armRange, solveArm, solveBend } from './float-arm.ts';
import { sectionObstacles } from './float-findings.ts';
import { simulatedSweep } from './simulated-ohmmeter.ts';
import { checkSweep, hysteresis } from './sweep-check.ts';

const degree = Math.PI / 180;

describe('the float arm', () => {
  const height = fc.double({ min: 0.005, max: 0.5, noNaN: true });
  const angle = fc.double({ min: 5, max: 60, noNaN: true });
  it('solved for two heights reaches exactly those at its stops', () => {
    fc.assert(
      fc.property(height, height, angle, angle, (a, b, down, up) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b) + 0.01];
        const solved = solveArm(low, high, -down * degree, up * degree);
        if (!solved.ok) throw new Error(solved.fault.code);
        expect(armRange(solved.arm).low).to.be.closeTo(low, 1e-9);
        expect(armRange(solved.arm).high).to.be.closeTo(high, 1e-9);
        // the pivot kept elsewhere: a bent rod reaches them too, over the same sweep
        const bent = solveBend(low, high, -down * degree, up * degree, low + 0.3 * (high - low));
        if (!bent.ok) throw new Error(bent.fault.code);
        expect(armRange(bent.arm).low).to.be.closeTo(low, 1e-9);
        expect(armRange(bent.arm).high).to.be.closeTo(high, 1e-9);
        expect(bent.arm.up - bent.arm.down).to.be.closeTo((down + up) * degree, 1e-9);
      }),
      { seed: 17, numRuns: 60 },
    );
  });
  it('worked by hand: 30° down and up, 20 to 220 mm: arm 200 mm, pivot 120 mm', () => {
    const solved = solveArm(0.02, 0.22, -30 * degree, 30 * degree);
    expect(solved.ok && solved.arm.length).to.be.closeTo(0.2, 1e-12);
    expect(solved.ok && solved.arm.pivot).to.be.closeTo(0.12, 1e-12);
  });
  it('is refused where stops or heights give no range', () => {
    expect(solveArm(0.2, 0.1, -0.5, 0.5)).to.deep.equal({ ok: false, fault: { code: 'rangeFalls' } });
    expect(solveArm(0.1, 0.2, 0.5, 0.5)).to.deep.equal({ ok: false, fault: { code: 'noSweep' } });
  });
});

describe('the float’s arc', () => {
  const arm = { pivot: 0.12, length: 0.16, down: -0.6, up: 0.6 };
  const wall = (along: number) => ({
    name: 'wall',
    room: 0.005,
    line: [
      [along, 0],
      [along, 0.25],
    ] as const,
  });
  it('stays clear of a wall beyond its reach by the difference, and meets a nearer one', () => {
    const clear = arcClearance(arm, 0, 1, 0.02, [wall(0.2)]);
    expect(clear.nearest!.gap).to.be.closeTo(0.2 - 0.16 - 0.02, 1e-6); // level arm reaches furthest
    expect(clear.meets).to.equal(undefined);
    const hit = arcClearance(arm, 0, 1, 0.02, [wall(0.17)]);
    expect(hit.meets!.name).to.equal('wall');
    // first met on the way up: 0.16 cos a + 0.02 = 0.17
    expect(Math.abs(hit.meets!.angle)).to.be.closeTo(Math.acos(0.15 / 0.16), 0.02);
    expect(arcClearance(arm, 0, -1, 0.02, [wall(0.17)]).meets, 'swinging the other way').to.equal(undefined);
  });
  it('takes the rod into account, not only the float', () => {
    expect(
      arcClearance(arm, 0, 1, 0.01, [
        {
          name: 'post',
          room: 0,
          line: [
            [0.08, 0.1],
            [0.08, 0.3],
          ],
        },
      ]).meets!.name,
    ).to.equal('post');
  });
  it('finds a saddle’s walls, but no wall where lobe and bridge open into each other', () => {
    const job = demoJobs.flatBedTender;
    const outcome = surveyedTank(job.survey.tank);
    if (outcome.kind !== 'known') throw new Error(outcome.kind);
    const upright = sectionObstacles(job, outcome.tank, 0, 0, returnDropOf(job)).filter(
      ({ line: [a, b] }) => Math.abs(a[0] - b[0]) < 1e-9 && Math.abs(a[0] - 0.09) < 1e-9,
    );
    const heights = upright.flatMap(({ line }) => line.map((p) => p[1]));
    expect(Math.max(...heights)).to.be.closeTo(0.13, 1e-9); // the tunnel's wall ends at the bridge's floor
  });
});

describe('a sender swept with the ohmmeter', () => {
  const range = { empty: 240, full: 33 };
  const ohms = (list: readonly (number | undefined)[]) =>
    list.map((v, i) => ({ share: i / (list.length - 1), ...(v === undefined ? {} : { ohms: measured(v, 'Ω') }) }));
  it('about 300 Ω at one stop and 21 Ω at the other is a good 300 Ω sender: 299.3 and 21 read (common practice)', () => {
    const check = checkSweep(ohms([299.3, 244, 189, 132, 77, 21]))!;
    expect(check.findings.map((f) => f.verdict)).to.deep.equal(['good']);
    expect(check.known).to.deep.equal({ empty: 300, full: 10 });
  });
  for (const [fault, verdict] of [
    ['none', 'good'],
    ['open', 'open'],
    ['sticky', 'sticky'],
    ['dirty', 'dirty'],
    ['reversed', 'reversed'],
    ['wrongRange', 'wrongRange'],
  ] as const)
    it(`the simulated ohmmeter with ${fault} is told as ${verdict}, whatever the seed`, () => {
      for (const sender of [range, { empty: 10, full: 180 }, { empty: 0, full: 90 }])
        for (let seed = 1; seed <= 20; seed++) {
          const verdicts = checkSweep(simulatedSweep(sender, fault, seed), sender)!.findings.map((f) => f.verdict);
          expect(verdicts, `seed ${seed}, ${JSON.stringify(sender)}`).to.include(verdict);
          if (fault === 'none') expect(verdicts).to.have.length(1);
        }
    });
  it('that does not move is no sender, and two readings are too few', () => {
    expect(checkSweep(ohms([50, 50, 50, 50]))!.findings[0]!.verdict).to.equal('sticky');
    expect(checkSweep(ohms([50, 60]))).to.equal(undefined);
  });
  it('tells by how much up and down differ', () => {
    expect(hysteresis(ohms([240, 140, 33]), ohms([240, 152, 33]))).to.equal(12);
    expect(hysteresis(ohms([240, 140, 33]), [])).to.equal(undefined);
  });
});

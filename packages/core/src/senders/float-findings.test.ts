import { returnDropOf } from '../hangers/hanger-findings.ts';
import { expect } from 'chai';
import { changed, cleanJob } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Gauge } from '../job/gauge.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { surveyedTank } from '../tanks/surveyed-tank.ts';
import { armSection, floatFindings, isShell, sectionObstacles } from './float-findings.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const degrees = (value: number) => ({ si: (value * Math.PI) / 180, unit: '°' });
const withGauge = (change: Partial<Gauge>) => cleanJob((j) => (j.gauge = { ...j.gauge, ...change }));

describe('the float as fitted', () => {
  it('takes its stops from their angles, else from the heights that were measured', () => {
    const byHeight = findingsOf(cleanJob()).float!;
    expect(byHeight.range!.low).to.be.closeTo(0.022, 1e-12);
    expect(byHeight.range!.high).to.be.closeTo(0.212, 1e-12);
    const byAngle = findingsOf(withGauge({ stopDown: degrees(30), stopUp: degrees(20) })).float!;
    expect(byAngle.range!.low).to.be.closeTo(0.12 - 0.17 / 2, 1e-12);
    expect(byAngle.range!.high).to.be.closeTo(0.12 + 0.17 * Math.sin((20 * Math.PI) / 180), 1e-12);
  });
  it('offers arm and pivot for the heights wanted, and a bend where the pivot stays', () => {
    const { wanted, bent } = findingsOf(
      withGauge({ stopDown: degrees(30), stopUp: degrees(30), wantLow: mm(20), wantHigh: mm(220) }),
    ).float!;
    expect(wanted?.ok && wanted.arm.length).to.be.closeTo(0.2, 1e-12);
    expect(wanted?.ok && wanted.arm.pivot).to.be.closeTo(0.12, 1e-12);
    // the pivot is there already: nothing to bend
    expect(bent?.ok && bent.bend).to.be.closeTo(0, 1e-12);
  });
  it('says nothing of an arm that is not measured, nor before anybody has looked', () => {
    expect(findingsOf(withGauge({ armLength: undefined })).float!.arm).to.equal(undefined);
    expect(
      floatFindings(
        cleanJob((j) => delete j.gauge),
        undefined,
        undefined,
      ),
    ).to.equal(undefined);
  });
  it('swings in the section that its side names', () => {
    const at = { pivotForward: mm(60), pivotLeft: mm(-40) };
    expect(armSection({ ...at, armSide: 'back' })).to.deep.equal({ axis: 1, place: -0.04, pivotAlong: 0.06, side: -1 });
    expect(armSection({ ...at, armSide: 'left' })).to.deep.equal({ axis: 0, place: 0.06, pivotAlong: -0.04, side: 1 });
    expect(armSection({})).to.deep.equal({ axis: 1, place: 0, pivotAlong: 0, side: 1 });
  });
  it('lists the sides that are free only where the arm is in trouble', () => {
    expect(findingsOf(cleanJob()).float!.clearSides).to.deep.equal([]);
    expect(findingsOf(demoJobs.flatBedTender).float!.clearSides).to.include('forward');
  });
});

describe('what stands in a section of the tank', () => {
  const job = changed(demoJobs.flatBedTender, (j) => {
    j.survey.tank.baffles!.push({ id: 'x', label: 'cross baffle', across: 'across', place: mm(50), opening: mm(10) });
  });
  const outcome = surveyedTank(job.survey.tank);
  if (outcome.kind !== 'known') throw new Error(outcome.kind);
  const { tank } = outcome;
  const names = (axis: 0 | 1, place: number) =>
    new Set(
      sectionObstacles(job, tank, axis, place, returnDropOf(job))
        .filter((o) => !isShell(o))
        .map((o) => o.name),
    );
  it('is a baffle only where it stands across the section', () => {
    expect(names(0, 0)).to.include('left baffle').and.not.include('cross baffle');
    expect(names(1, 0.24)).to.include('cross baffle').and.not.include('left baffle');
  });
  it('is the pump where the section passes through it, and the return drop', () => {
    expect(names(0, 0)).to.include('the pump');
    expect(names(0, 0.1)).to.not.include('the pump');
    expect(names(1, 0.24)).to.include('the return drop');
  });
  it('asks for room beside walls, none over the floor', () => {
    for (const {
      name,
      room,
      line: [a, b],
    } of sectionObstacles(job, tank, 0, 0, returnDropOf(job)))
      if (name === 'the tank’s floor or roof') {
        expect(room).to.equal(0);
        expect(a[1]).to.be.closeTo(b[1], 1e-9);
      } else expect(room).to.equal(0.005);
  });
});

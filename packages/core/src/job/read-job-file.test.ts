import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import { blankJob } from './job.ts';
import { CURRENT_SCHEMA_VERSION } from './schema-version.ts';
import { describeIssue, readJobFile } from './read-job-file.ts';
import { ofTakes, spreadOf } from '../fields/measured.ts';
import { upgrades } from './upgrade.ts';

const faults = (text: string): string[] => {
  const read = readJobFile(text);
  return read.ok ? [] : read.fault.map(describeIssue);
};
const withField = (change: (job: Record<string, never>) => void) => {
  const job = JSON.parse(JSON.stringify(demoJobs.mailVan)) as Record<string, never>;
  change(job);
  return JSON.stringify(job);
};

describe('a job file', () => {
  for (const [name, job] of Object.entries(demoJobs))
    it(`comes back as it went out: ${name}`, () => {
      const read = readJobFile(JSON.stringify(job));
      expect(read.ok && read.value).to.deep.equal({ job, attachments: {} });
    });
  it('may know nothing yet', () => {
    expect(faults(JSON.stringify(blankJob('New job')))).to.deep.equal([]);
  });
  it('names the field of a negative length', () => {
    const text = withField((job: any) => (job.survey.tank.depth.si = -0.2));
    expect(faults(text)).to.deep.equal(['survey.tank.depth.si “tank depth” cannot be negative']);
  });
  it('names the field of a wrong type, an unknown field, a wrong unit and a missing part', () => {
    expect(faults(withField((job: any) => (job.parts['hose-1'].length.si = '140')))[0]).to.match(
      /^parts[.]hose-1[.]length[.]si /,
    );
    expect(faults(withField((job: any) => (job.brief.colour = 'red')))[0]).to.match(/^brief .*colour/);
    expect(faults(withField((job: any) => (job.survey.tank.depth.unit = 'psi')))[0]).to.equal(
      'survey.tank.depth.unit is not a unit of length',
    );
    expect(faults(withField((job: any) => delete job.parts))[0]).to.match(/^parts /);
  });
  it('keeps both takes of a measurement, whose value is their mean', () => {
    const take = (si: number) => ({ si, unit: 'mm' });
    const twice = (si: number) =>
      withField((job: any) => (job.survey.tank.depth = { si, unit: 'mm', takes: [take(0.23), take(0.232)] }));
    expect(faults(twice(0.231))).to.deep.equal([]);
    expect(faults(twice(0.23))[0]).to.equal('survey.tank.depth.takes must have the value as their mean');
    expect(ofTakes(take(0.23), take(0.232)).si).to.be.closeTo(0.231, 1e-15);
    expect(spreadOf(ofTakes(take(0.23), take(0.232)))).to.be.closeTo(0.002, 1e-12);
    expect(spreadOf(ofTakes(take(0.23)))).to.equal(undefined);
  });
  it('refuses two parts of one name', () => {
    expect(faults(withField((job: any) => (job.parts['hose-1'].id = 'tank-1')))[0]).to.match(/^parts.hose-1/);
  });
  it('refuses text that cannot be stored', () => {
    expect(faults(withField((job: any) => (job.name = 'a\u0000b')))[0]).to.match(/^name holds characters/);
    expect(faults(withField((job: any) => (job.name = '\ud800')))[0]).to.match(/^name holds characters/);
  });
  it('refuses what is not JSON, not a job, or not a number that exists', () => {
    expect(faults('{"schemaVersion": 2,')[0]).to.match(/^The file is not JSON/);
    expect(faults('[1]')[0]).to.match(/does not hold a job/);
    expect(faults('{}')[0]).to.match(/^schemaVersion is missing/);
    expect(faults(withField((job: any) => (job.survey.railHeight.si = null)))).to.have.length(1);
    expect(faults(JSON.stringify(demoJobs.mailVan).replace('"si":0.61', '"si":1e999'))).to.have.length(1);
  });
  it('refuses a 50 MB file by its size, before parsing it', () => {
    expect(faults(`"${'x'.repeat(50 * 1024 * 1024)}"`)).to.deep.equal([
      'The file is 50.0 MB; a job file is at most 2 MB.',
    ]);
  });
  it('refuses deep nesting without running out of stack', () => {
    expect(faults('['.repeat(500_000))[0]).to.match(/^The file is nested deeper/);
  });
  it('refuses names that reach a prototype, wherever they stand', () => {
    for (const key of ['__proto__', 'constructor', 'prototype'])
      expect(faults(`{"schemaVersion": 2, "brief": {"${key}": {"polluted": true}}}`)[0]).to.equal(
        `brief.${key} is a name that no job uses`,
      );
    expect(({} as Record<string, unknown>).polluted).to.equal(undefined);
  });
  it('refuses a version from the future and says what to do', () => {
    expect(faults('{"schemaVersion": 99}')[0]).to.match(/newer than this Endrel reads .*update Endrel$/);
  });
  it('upgrades a version 1 file: ethanol in per cent, no overrules', () => {
    const text = readFileSync(new URL('../../test/version-2/mailVan.json', import.meta.url), 'utf8');
    const { overrules: _none, ...rest } = JSON.parse(text) as Record<string, any>;
    const { ethanol: _share, ...brief } = rest.brief;
    const old = { ...rest, schemaVersion: 1, brief: { ...brief, ethanolPercent: 10 } };
    const [second, first] = [readJobFile(text), readJobFile(JSON.stringify(old))];
    expect(second.ok && second.value.job.brief.ethanol).to.deep.equal(demoJobs.mailVan.brief.ethanol);
    expect(first).to.deep.equal(second);
  });
  it('upgrades a version 3 file: wires in gauges are conductors in mm²', () => {
    const read = readJobFile(readFileSync(new URL('../../test/version-3/islandShuttle.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.fault));
    const supply = read.value.job.wiring?.wires?.find((w) => w.use === 'pump' && w.area);
    // ASTM B258: 10 AWG is 5.261 mm2
    expect(supply?.area).to.deep.include({ unit: 'mm²', typed: '10 AWG' });
    expect(supply?.area!.si).to.be.closeTo(5.261e-6, 1e-9);
    // places, routes and the circuit came later
    const { routes: _routes, wiring: _wiring, ...rest } = structuredClone(demoJobs.islandShuttle);
    for (const part of Object.values(rest.parts)) {
      for (const [port, { place: _place, ...state }] of Object.entries(part.ports ?? {}))
        if (Object.keys(state).length > 0) part.ports![port] = state;
        else delete part.ports![port];
      if (Object.keys(part.ports ?? {}).length === 0) delete part.ports;
    }
    const { wiring: _drawn, ...upgraded } = read.value.job;
    expect(upgraded).to.deep.equal(rest);
  });
  it('has a tested upgrade from every version before the current one', () => {
    expect(Object.keys(upgrades).map(Number)).to.deep.equal(
      Array.from({ length: CURRENT_SCHEMA_VERSION - 1 }, (_, i) => i + 1),
    );
  });
});

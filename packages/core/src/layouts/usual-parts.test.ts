import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import { copyOf, copyWithoutMeasurements } from '../job/copy-job.ts';
import { jobSchema, type Job } from '../job/job.ts';
import { layouts, type LayoutKey } from '../job/layout.ts';
import { needsOf } from '../reckoning/needs.ts';
import { writeJobFile, readJobFile } from '../job/read-job-file.ts';
import { attachmentText } from '../attachments/attachment.ts';
import { propertiesOf } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { jobOfSchool, USUAL_PART } from './usual-parts.ts';

const title = { name: 'Boom truck', vehicle: 'Skarn 8' };

/** Every quantity on a tape that a part of the job holds. */
const readOnTape = (job: Job): string[] =>
  Object.values(job.parts).flatMap((part) =>
    Object.keys(part).filter((key) => {
      const property = propertiesOf(part.kind)[key];
      return property?.type === 'quantity' && property.field.tool === 'tape';
    }),
  );

describe('a new job', () => {
  for (const key of Object.keys(layouts) as LayoutKey[])
    it(`of the school “${layouts[key].name}” has its usual parts, and nothing measured`, () => {
      const job = jobOfSchool(key, title);
      expect(jobSchema.safeParse(job).success).to.equal(true);
      expect([job.name, job.vehicle, job.layout.key, job.brief.induction]).to.deep.equal([
        'Boom truck',
        'Skarn 8',
        key,
        layouts[key].engine,
      ]);
      expect(findingsOf(job).faults).to.deep.equal([]);
      expect(readOnTape(job)).to.deep.equal([]);
      expect(job.survey).to.deep.equal({ tank: {}, lines: [] });
      const parts = circuitsOf(job).parts;
      const pump = parts.find((p) => p.kind === 'pump')!;
      expect(pump.kind === 'pump' && pump.tables?.length, 'a usual pump').to.be.greaterThan(0);
      expect(pump.note).to.equal(USUAL_PART);
      // of its parts only what is measured on the vehicle is asked for
      for (const need of needsOf(job).filter((n) => n.stage === 'run')) {
        const property = propertiesOf(job.parts[need.part!]!.kind)[String(need.path.at(-1))]!;
        if (property.type === 'quantity') expect(property.field.tool, need.name).to.equal('tape');
      }
    });

  it('as a copy keeps all but its name, its end and what was overruled', () => {
    const old: Job = {
      ...demoJobs.mailVan,
      state: 'finished',
      overrules: { 'tank-vent': { reason: 'neck is moved', at: '2026-11-27T00:00:00.000Z' } },
    };
    const copy = copyOf(old, title);
    expect(copy).to.deep.equal({ ...old, ...title, state: 'open', overrules: {} });
  });

  for (const [name, old] of Object.entries(demoJobs))
    it(`as a copy of the ${name} without measurements keeps engine, layout, parts and joints only`, () => {
      const copy = copyWithoutMeasurements(old, title);
      expect(jobSchema.safeParse(copy).success).to.equal(true);
      expect(copy.brief).to.deep.equal(old.brief);
      expect(copy.layout).to.deep.equal(old.layout);
      expect(Object.keys(copy.parts)).to.deep.equal(Object.keys(old.parts));
      expect(Object.keys(copy.joints)).to.deep.equal(Object.keys(old.joints));
      expect(readOnTape(copy)).to.deep.equal([]);
      const held = JSON.stringify([copy.survey, copy.hanger, copy.gauge]);
      expect(held).to.not.match(/"si"/);
      // what a part is stays: bores, ratings, settings, the pump's table
      for (const [id, part] of Object.entries(old.parts))
        for (const [key, property] of Object.entries(propertiesOf(part.kind)))
          if (!(property.type === 'quantity' && property.field.tool === 'tape') && key !== 'note')
            expect((copy.parts[id] as unknown as Record<string, unknown>)[key], `${id} ${key}`).to.deep.equal(
              (part as unknown as Record<string, unknown>)[key],
            );
      expect(readJobFile(writeJobFile(copy, attachmentText)).ok).to.equal(true);
    });
});

import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import { tryAct } from '../acts/apply-act.ts';
import type { Act } from '../acts/act.ts';
import { readJobFile } from '../job/read-job-file.ts';
import { inOneLine, isStorable, lineSchema, textSchema, unstorableAt } from './text.ts';

const odd = {
  'a vertical tab': '\u000b',
  NUL: '\u0000',
  DEL: '\u007f',
  'half of a pair': '\ud83d',
  'the other half': '\udd27',
};
const breaks = {
  'a line feed': '\n',
  'a carriage return': '\r',
  NEL: '\u0085',
  'a line separator': '\u2028',
  'a paragraph separator': '\u2029',
};

describe('text', () => {
  for (const [what, character] of Object.entries(odd))
    it(`with ${what} is refused wherever it is typed, named or carried along`, () => {
      const text = `Boom${character}truck`;
      expect(isStorable(text)).to.equal(false);
      for (const schema of [textSchema(80), lineSchema(80)]) expect(schema.safeParse(text).success).to.equal(false);
      expect(unstorableAt({ acts: [{ id: 'x', was: { note: text } }] })).to.deep.equal(['acts', 0, 'was', 'note']);
      expect(unstorableAt({ acts: { [text]: 1 } })).to.deep.equal(['acts']);
      const refused = (act: Act) => !tryAct(demoJobs.mailVan, act).ok;
      expect(refused({ act: 'set', path: ['name'], value: text })).to.equal(true);
      expect(refused({ act: 'overruleSnag', snag: text, reason: 'a reason', at: '2026-01-01T00:00:00Z' })).to.equal(
        true,
      );
      expect(refused({ act: 'overruleSnag', snag: 'x', reason: text, at: '2026-01-01T00:00:00Z' })).to.equal(true);
      expect(refused({ act: 'setOnPart', id: 'hose-1', key: 'note', value: text })).to.equal(true);
      expect(readJobFile(JSON.stringify({ ...demoJobs.mailVan, name: text })).ok).to.equal(false);
    });
  it('in other scripts, with whole pairs, tabs and accents is text', () => {
    for (const text of ['Émail', 'トラック', '🔧 bench', 'a\tb', 'x'.repeat(80)]) {
      expect(lineSchema(80).safeParse(text).success, text).to.equal(true);
      expect(unstorableAt([text])).to.equal(undefined);
    }
    expect(lineSchema(80).safeParse('x'.repeat(81)).success).to.equal(false);
  });
  for (const [what, character] of Object.entries(breaks))
    it(`of one line: ${what} is refused in an act, and mended in a file of before; notes keep theirs`, () => {
      const text = `Boom ${character} truck`;
      expect(inOneLine(text)).to.equal('Boom truck');
      expect(lineSchema(80).safeParse(text).success).to.equal(false);
      expect(tryAct(demoJobs.mailVan, { act: 'set', path: ['vehicle'], value: text }).ok).to.equal(false);
      const job = structuredClone(demoJobs.mailVan);
      Object.assign(job, { name: text, vehicle: text });
      job.parts['hose-1']!.label = text;
      job.survey.notes = text;
      const before = JSON.stringify(job);
      const read = readJobFile(before);
      if (!read.ok) throw new Error(JSON.stringify(read.fault));
      expect([read.value.job.name, read.value.job.vehicle, read.value.job.parts['hose-1']!.label]).to.deep.equal(
        Array(3).fill('Boom truck'),
      );
      expect(read.value.job.survey.notes).to.equal(text);
      expect(JSON.stringify(job), 'what was given is left alone').to.equal(before);
    });
});

import { readSnag } from '../../test/rule-cases.ts';
import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import { actsOf } from '../../test/any-edit.ts';
import { assess } from '../assessment/assess.ts';
import { partRows } from '../cards/parts/part-rows.ts';
import { sayIn } from '../units/unit-system.ts';
import { seeded } from '../../test/seeded.ts';
import { describeAct } from '../acts/act.ts';
import { touchedBy } from '../acts/touched.ts';
import { sayField } from './field-name.ts';

const { mailVan } = demoJobs;

describe('a field in words', () => {
  for (const [path, said] of [
    [['survey', 'tank', 'depth'], 'tank depth'],
    [['survey', 'railHeight'], 'rail or carburettor height'],
    [['brief', 'power'], 'engine power'],
    [['parts', 'pump-1', 'inletHeight'], 'Hanger pump, inlet height'],
    [['parts', 'pump-1', 'label'], 'Hanger pump, name'],
    [['parts', 'pump-1'], 'Hanger pump'],
    [['parts', 'gone-1', 'bore'], 'bore of a part that is gone'],
    [['survey', 'lines', 'line-1', 'wall'], 'factory line 1, wall'],
    [['joints', 'rail-1-in', 'clamp'], 'joint of Engine feed hose and Fuel rail, hose held by'],
    [['parts', 'tank-1', 'ports', 'pickup-1', 'place'], 'Tank, pickup 1, place under the vehicle'],
    [['hanger', 'rods', 'none', 'end'], 'hanger tube, end'],
    [['overrules', 'pump-margin:pump-1'], 'overrule of “pump margin” of Hanger pump'],
    [['name'], 'name of the job'],
  ] as const)
    it(said, () => expect(sayField(mailVan, path)).to.equal(said));
});

describe('every name that a person reads', () => {
  it('is words: no raw key or id in the address or the history line of anything that random acts touch', () => {
    const dice = seeded(20_261_201);
    const raw: string[] = [];
    const look = (text: string, of: unknown) => {
      // names that people gave stand in quotes or are known words; an id is a word, a dash and a number or a sign of its own
      if (
        /\b(row|new|added|place|zone|device|wire-new|tee|hose|pump|tank|rail|filter|sock|joint|regulator)-\w*\d|[a-z][A-Z][a-z]/.test(
          text.replaceAll('kPa', ''),
        )
      )
        raw.push(`${text} (${JSON.stringify(of)})`);
    };
    for (const job of Object.values(demoJobs))
      for (let i = 0; i < 60; i++) {
        const acts = actsOf(
          job,
          Array.from({ length: 3 }, () => [dice(), dice(), dice(), dice(), dice()] as const),
        );
        for (const { act, before, after } of acts) {
          look(describeAct(before, act), act);
          for (const path of touchedBy(before, after)) look(sayField(after, path), path);
        }
        const last = acts.at(-1)?.after;
        if (!last || i % 6 > 0) continue;
        for (const { what, why, cure, actLabel = '' } of assess(last).snags.map(readSnag))
          look(`${what} ${why} ${cure} ${actLabel}`, what);
        for (const row of partRows(last, sayIn('metric'))) look(JSON.stringify(Object.values(row)), row);
      }
    expect([...new Set(raw)].slice(0, 20)).to.deep.equal([]);
  });
});

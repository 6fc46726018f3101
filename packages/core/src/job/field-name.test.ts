import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
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
    [['parts', 'gone-1', 'bore'], 'parts gone-1 bore'],
    [['survey', 'lines', 'line-1', 'wall'], 'survey lines line-1 wall'],
    [['name'], 'name'],
  ] as const)
    it(said, () => expect(sayField(mailVan, path)).to.equal(said));
});

import { expect } from 'chai';
import { withArticle } from './article.ts';

describe('an article', () => {
  for (const [words, said] of [
    ['15 A', 'a 15 A'],
    ['8 A', 'an 8 A'],
    ['80 A', 'an 80 A'],
    ['11 V', 'an 11 V'],
    ['110 mm', 'a 110 mm'],
    ['18 mm', 'an 18 mm'],
    ['180 mm', 'a 180 mm'],
    ['ethanol share', 'an ethanol share'],
    ['unit', 'a unit'],
    ['upper float', 'an upper float'],
    ['hose', 'a hose'],
  ] as const)
    it(`is heard in “${said}”`, () => expect(withArticle(words)).to.equal(said));
});

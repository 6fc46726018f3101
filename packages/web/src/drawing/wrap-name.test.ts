import { expect } from 'chai';
import { wrapName } from './wrap-name.ts';

describe('a name on the run', () => {
  it('stays on one line while it fits', () => {
    expect(wrapName('Fine filter', 18)).to.deep.equal(['Fine filter']);
  });
  it('breaks between words, onto two lines at most', () => {
    expect(wrapName('Fine filter on the pickup', 16)).to.deep.equal(['Fine filter on', 'the pickup']);
    expect(wrapName('Engine feed hose from the old bulkhead', 12)).to.deep.equal(['Engine feed', 'hose from…']);
  });
  it('cuts a word that no line holds', () => {
    expect(wrapName('Unterdruckschlauchverbinder', 12)).to.deep.equal(['Unterdrucksc…']);
  });
  it('shows nothing for nothing', () => {
    expect(wrapName('', 12)).to.deep.equal(['']);
  });
});

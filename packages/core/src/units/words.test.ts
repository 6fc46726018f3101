import { expect } from 'chai';
import { figure } from './quantity.ts';
import { inches } from './quick.ts';
import { sayIn } from './unit-system.ts';
import { sayWords, words } from './words.ts';

const metric = sayIn('metric');
const imperial = sayIn('imperial');

describe('words with figures', () => {
  it('are said in the reader’s units, a tape’s length as a fraction', () => {
    const said = words`Open it to ${figure('length', inches(0.5))}, cut ${{ ...figure('length', inches(9.0625)), tool: 'tape' }}.`;
    expect(sayWords(said, metric)).to.equal('Open it to 12.7 mm, cut 230.2 mm.');
    expect(sayWords(said, imperial)).to.equal('Open it to 0.5 in, cut 9 1/16 in.');
  });
  it('are a plain sentence where there is no figure', () => {
    expect(words`Use ${3} wires and ${'a fuse'}.`).to.equal('Use 3 wires and a fuse.');
    expect(sayWords('Plain.', metric)).to.equal('Plain.');
  });
  it('take sentences in, with their figures in their order', () => {
    const inner = words`: ${figure('volume', 0.0031)} stay`;
    const said = words`Fuel gathers${inner} below ${figure('length', 0.02)}.`;
    expect(sayWords(said, metric)).to.equal('Fuel gathers: 3.1 L stay below 20 mm.');
    expect(words`a${words`b${'c'}`}d`).to.equal('abcd');
  });
  it('may begin and end with a figure', () => {
    expect(sayWords(words`${figure('length', 0.02)}${figure('length', 0.03)}`, metric)).to.equal('20 mm30 mm');
  });
});

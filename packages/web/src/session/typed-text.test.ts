import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { written } from './kept-store.ts';
import { typedText } from './typed-text.ts';

const depth = ['survey', 'tank', 'depth'];
const row = ['survey', 'lines', 'line-1'];

describe('text that the job does not have yet', () => {
  afterEach(() => written());
  it('stands by its field until it is dropped, with what stood there before', () => {
    typedText.set('a', depth, '24', '210 mm');
    expect(typedText.get('a', depth)).to.deep.equal({ path: depth, text: '24', was: '210 mm' });
    typedText.set('a', depth, '240');
    expect(typedText.get('a', depth)).to.deep.equal({ path: depth, text: '240', was: '' });
    expect(typedText.get('b', depth), 'of another job').to.equal(undefined);
    typedText.set('a', depth, undefined);
    expect(typedText.get('a', depth)).to.equal(undefined);
    typedText.set('a', depth, undefined); // twice is once
  });
  it('goes with the row that is in the job now, and with no other that begins alike', () => {
    const [own, other] = [
      [...row, 'length'],
      ['survey', 'lines', 'line-10', 'length'],
    ];
    typedText.set('a', own, '3', '');
    typedText.set('a', other, '4', '');
    typedText.dropUnder('a', row);
    expect(typedText.get('a', own)).to.equal(undefined);
    expect(typedText.get('a', other)!.text).to.equal('4');
    typedText.set('a', other, undefined);
  });
  it('of a page that is gone comes in where nothing is typed, and is told once to who listens', () => {
    let told = 0;
    const leave = typedText.subscribe(() => (told += 1));
    typedText.set('a', depth, 'mine', '');
    const length = [...row, 'length'];
    const theirs = [
      { path: depth, text: 'theirs', was: '' },
      { path: length, text: '1200', was: '' },
    ];
    expect(typedText.bring('a', theirs).map((t) => t.text)).to.deep.equal(['1200']);
    expect([typedText.get('a', depth)!.text, typedText.get('a', length)!.text]).to.deep.equal(['mine', '1200']);
    expect([typedText.timesBrought('a', length), typedText.timesBrought('a', depth)]).to.deep.equal([1, 0]);
    expect(told).to.equal(1);
    expect(typedText.bring('a', theirs)).to.deep.equal([]);
    expect(told, 'nothing new').to.equal(1);
    leave();
  });
});

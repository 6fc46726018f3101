import { expect } from 'chai';
import { freshId } from '../acts/fresh-id.ts';
import { partName, type Part } from './kinds.ts';

const named = (part: Partial<Part> & Pick<Part, 'kind' | 'id'>) => partName(part);

describe('the name of a part', () => {
  it('is its own, else that of its place, else that of its kind with a number from the second on', () => {
    expect(named({ kind: 'pump', id: 'pump-2', label: ' Spare ' })).to.equal('Spare');
    expect(named({ kind: 'pump', id: 'pump-2', role: 'liftPump' })).to.equal('Lift pump');
    expect(named({ kind: 'pump', id: 'pump-1' })).to.equal('Pump');
    expect(named({ kind: 'pump', id: 'pump-2' })).to.equal('Pump 2');
    expect(named({ kind: 'pump', id: 'pump-12-3f2a' })).to.equal('Pump 12');
    expect(named({ kind: 'hose', id: 'hose-4', role: 'branchHose' })).to.equal('Branch hose 4');
    expect(named({ kind: 'tank', id: 'tank' })).to.equal('Tank');
  });
  it('is another for each part that a page puts in, whatever ids other pages made', () => {
    const parts = { 'pump-1': {}, 'pump-2-3f2a': {}, 'pump-3': {} } as never;
    expect(freshId({ parts }, 'pump')).to.equal('pump-4');
    expect(freshId({ parts: {} }, 'hardLine')).to.equal('hard-line-1');
  });
});

import { expect } from 'chai';
import { mm } from '../units/quick.ts';
import { lookAlikesOf, matesOf } from './mates-of.ts';
import { findSmooth, smoothEnds } from './smooth-end.ts';
import { threadByCode } from '../threads/thread.ts';

const codes = (gender: 'male' | 'female', diameter: number) => findSmooth(gender, mm(diameter)).map((c) => c.end.code);

describe('ends without a thread', () => {
  it('are told by the caliper: spigots of 7.89, 9.49 and 12.61 mm (SAE J2044, from memory), tube by its outside', () => {
    expect(codes('male', 7.86)).to.include('quick:5/16');
    expect(codes('male', 9.46)).to.include.members(['quick:3/8', 'tube:3/8']);
    expect(codes('male', 12.58)).to.include('quick:1/2');
    expect(codes('male', 8.02)).to.include.members(['tube:8_mm', 'tube:5/16']);
    expect(codes('male', 8.3)).to.not.include('tube:8_mm');
  });
  it('tell honestly what they cannot tell apart: probabilities add up, and a spigot looks like tube', () => {
    for (const diameter of [6.3, 7.9, 8.9, 9.5, 11, 12.7]) {
      const found = findSmooth('male', mm(diameter));
      expect(found.length, `${diameter}`).to.be.greaterThan(0);
      expect(found.reduce((sum, c) => sum + c.probability, 0)).to.be.closeTo(1, 1e-9);
    }
    expect(codes('female', 8)).to.include.members(['hose:5/16', 'ferrule:5/16', 'hose:-6_PTFE']);
  });
  it('say where the caliper is held and where the figure is from', () => {
    for (const end of smoothEnds) expect([end.where, end.source].join(' ')).to.match(/\w+ .*(memory|practice)/);
  });
});

describe('what a thread mates with, and what it is taken for', () => {
  const thread = (code: string) => threadByCode(code)!;
  it('names the mate by its standard', () => {
    expect(matesOf(thread('flare37:-6'), 'male').join()).to.match(/^female 37° flare −6.*Hydraulic and aviation/);
    expect(matesOf(thread('bspt:1/4-19'), 'male')).to.have.length(2);
    expect(matesOf(thread('unf:9/16-18'), 'male')).to.deep.equal([]);
  });
  it('names every look-alike of the trade with what decides', () => {
    const alike = (code: string) => lookAlikesOf(thread(code), 'male').map((l) => l.thread.code);
    expect(alike('flare37:-6')).to.include.members(['orb:-6', 'unf:9/16-18', 'metric:M14x1.5']);
    expect(alike('npt:1/2-14')).to.include.members(['bspt:1/2-14', 'bspp:1/2-14']);
    expect(alike('metric:M10x1')).to.include('npt:1/8-27');
    expect(alike('flare45:3/8')).to.include('metric:M16x1.5');
    const [boss] = lookAlikesOf(thread('flare37:-6'), 'male').filter((l) => l.thread.code === 'orb:-6');
    expect(boss!.decides).to.match(/Look at the end/);
  });
});

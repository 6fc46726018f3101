import { expect } from 'chai';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { run } from '../src/main.ts';

async function endrel(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  const written = { out: '', err: '' };
  const code = await run(args, { out: (t) => (written.out += t), err: (t) => (written.err += t) });
  return { code, ...written };
}
interface ThreadAnswer {
  candidates: { code: string; probability: number; deviation_sigma: number }[];
  measure_next: string[];
}
const thread = async (...args: string[]) => JSON.parse((await endrel('thread', ...args, '--json')).out) as ThreadAnswer;
interface ChainAnswer {
  chains: {
    cost: number;
    joints: number;
    bore_mm: number;
    parts: { name: string; ports: string[]; angle_deg: number; material: string }[];
  }[];
  obstacles?: { want: string }[];
}
const chain = async (...args: string[]) => JSON.parse((await endrel('chain', ...args, '--json')).out) as ChainAnswer;

describe('endrel thread', () => {
  it('shows what 14.2 mm at 18 tpi cannot tell apart, and what to look at', async () => {
    const { candidates, measure_next: next } = await thread('--od', '14.2mm', '--pitch', '18tpi');
    expect(candidates.map((c) => c.code).sort()).to.deep.equal(['flare37:-6', 'orb:-6', 'unf:9/16-18']);
    expect(candidates.reduce((sum, c) => sum + c.probability, 0)).to.be.closeTo(1, 1e-4);
    expect(next).to.deep.equal(['SEAT_LOOK']);
    const seen = await thread('--od', '14.2mm', '--pitch', '18tpi', '--seat', 'cone');
    expect([seen.candidates.map((c) => c.code), seen.measure_next]).to.deep.equal([['flare37:-6'], []]);
  });
  it('takes the pitch in mm, as crests over a length, or counted', async () => {
    const first = async (...args: string[]) => (await thread(...args)).candidates.map((c) => c.code);
    expect(await first('--od', '13.9mm', '--pitch', '1.5mm', '--taper', 'no')).to.include('metric:M14x1.5');
    expect(await first('--od', '13.9mm', '--crests', '10', '--over', '13.5mm')).to.include('metric:M14x1.5');
    expect(await first('--od', '14.2mm', '--count', '18', '--over', '25.4mm')).to.include('flare37:-6');
    expect(await first('--bore', '12.9mm', '--pitch', '18tpi')).to.include('orb:-6');
    expect(await first('--od', '13.6mm', '--pitch', '18tpi', '--taper', 'yes')).to.deep.equal(['npt:1/4-18']);
  });
  it('tells ends without a thread by their diameter', async () => {
    const { candidates } = await thread('--od', '9.46mm', '--pitch', 'none');
    expect(candidates.map((c) => c.code)).to.include.members(['quick:3/8', 'tube:3/8']);
    expect((await endrel('thread', '--bore', '8mm', '--pitch', 'none')).out).to.match(
      /plain hose end 5\/16, read across the bore/,
    );
  });
  it('reads a whole table of readings in the reference’s columns', async () => {
    const file = new URL('../../core/test/reference/J_threads/readings.csv', import.meta.url).pathname;
    const rows = (await readFile(file, 'utf8')).trim().split('\n').length - 1;
    const { results } = JSON.parse((await endrel('thread', '--readings', file, '--json')).out) as {
      results: { case: string }[];
    };
    expect([results.length, results[0]!.case]).to.deep.equal([rows, 't01']);
    expect((await endrel('thread', '--readings', file)).out.split('\n').length).to.be.greaterThan(rows);
  });
  it('says what is wrong with what it cannot read', async () => {
    const bad = async (...args: string[]) => endrel('thread', ...args);
    expect((await bad('--od', '14mm', '--bore', '13mm')).err).to.match(/either --od/);
    expect(await bad('--od', '14mm', '--pitch', '18 furlongs')).to.include({ code: 2 });
    expect((await bad('--od', '14mm', '--crests', '10')).err).to.match(/--crests needs --over/);
    expect((await bad('--od', '14mm', '--crests', '1', '--over', '3mm')).err).to.match(/whole number from 2/);
    expect((await bad('--od', '14mm', '--taper', 'maybe')).err).to.match(/yes or no or unknown/);
    expect((await bad('--od', '14mm', '--pitch', '1.5mm', '--count', '3')).err).to.match(/pitch once/);
    const folder = await mkdtemp(join(tmpdir(), 'endrel-'));
    const file = join(folder, 'bad.csv');
    await writeFile(file, 'case,gender\nt1,male\n');
    expect(await bad('--readings', file)).to.include({ code: 2 });
    await rm(folder, { recursive: true });
  });
});

describe('endrel chain', () => {
  it('finds a 90° adapter from a −6 flare to 3/8 NPT for E85, bored 8 mm or more', async () => {
    const { chains } = await chain(
      'male flare37 -6',
      'female npt 3/8',
      '--fuel',
      'E85',
      '--min-bore',
      '8mm',
      '--angle',
      '90deg',
    );
    expect(chains.length).to.equal(5);
    const [best] = chains;
    expect([best!.joints, best!.parts.length, best!.parts[0]!.angle_deg]).to.deep.equal([2, 1, 90]);
    expect(best!.parts[0]!.ports).to.deep.equal(['swivel female flare37 -6', 'male npt 3/8']);
    for (const c of chains) {
      expect(c.bore_mm).to.be.at.least(8);
      expect(c.cost).to.be.at.least(best!.cost);
      for (const p of c.parts) expect(['aluminium', 'stainless', 'plastic']).to.include(p.material);
    }
  });
  it('gives the same chain from the other end, reversed', async () => {
    const [there] = (await chain('tube 3/8', 'female orb -6')).chains;
    const [back] = (await chain('female orb -6', 'tube 3/8')).chains;
    expect(there!.cost).to.be.closeTo(back!.cost, 1e-4);
    expect([...there!.parts].reverse().map((p) => [...p.ports].reverse())).to.deep.equal(
      back!.parts.map((p) => p.ports),
    );
  });
  it('needs no part where the ends mate, and names what kills every chain', async () => {
    expect((await endrel('chain', 'male flare37 -6', 'female flare37 -6')).out).to.match(/they mate as they are/);
    const none = await chain('male flare37 -6', 'female npt 3/8', '--min-bore', '20mm');
    expect([none.chains, none.obstacles!.map((o) => o.want)]).to.deep.equal([[], ['min-bore']]);
    expect((await endrel('chain', 'hose -8', 'barb 5/16')).out).to.match(/No chain of up to four/);
    expect((await endrel('chain', 'male flare37 -6', 'female npt 3/8')).out).to.match(/^1\. .*before the next: /);
  });
  it('says what is wrong with a port or a want', async () => {
    const bad = async (...args: string[]) => (await endrel('chain', ...args)).err;
    expect(await bad('flare37 -6', 'female npt 3/8')).to.match(/neither male nor female/);
    expect(await bad('male flare37 -6')).to.match(/takes two ports/);
    expect(await bad('male flare37 -6', 'female npt 3/8', '--angle', '400deg')).to.match(/no chain turns so far/);
    expect(await bad('male flare37 -6', 'female npt 3/8', '--angle', '-10deg')).to.match(/below 0/);
    expect(await bad('male flare37 -6', 'female npt 3/8', '--fuel', 'plum brandy')).to.match(/plum brandy/);
  });
});

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
const reference = (name: string) => new URL(`../../core/test/reference/${name}`, import.meta.url).pathname;

describe('commands for routes', () => {
  let folder: string;
  const file = async (name: string, text: string) => {
    const path = join(folder, name);
    await writeFile(path, text);
    return path;
  };
  before(async () => {
    folder = await mkdtemp(join(tmpdir(), 'endrel-routes-'));
  });
  after(() => rm(folder, { recursive: true }));

  it('endrel bend gives the reference’s tables, and their points again', async () => {
    const cases = JSON.parse(await readFile(reference('F_tube_bending/cases.json'), 'utf8')) as {
      case: string;
      clr_mm: number;
      points_mm: number[][];
    }[];
    const tables = JSON.parse(await readFile(reference('F_tube_bending/results_lra.json'), 'utf8')) as {
      case: string;
      straights_mm: number[];
      rotations_deg: number[];
      bends_deg: number[];
      gains_mm: number[];
      developed_length_mm: number;
    }[];
    for (const { case: name, clr_mm: clr, points_mm: points } of cases) {
      const path = await file(`${name}.csv`, `x,y,z\n${points.map((p) => p.join(',')).join('\n')}\n`);
      const { out } = await endrel('bend', path, '--clr', `${clr}mm`, '--json');
      const got = JSON.parse(out) as (typeof tables)[number];
      const want = tables.find((t) => t.case === name)!;
      for (const key of ['straights_mm', 'rotations_deg', 'bends_deg', 'gains_mm'] as const)
        got[key].forEach((value, i) => expect(value, `${name} ${key} ${i}`).to.be.closeTo(want[key][i]!, 1e-6));
      expect(got.developed_length_mm).to.be.closeTo(want.developed_length_mm, 1e-6);
      const rows = got.straights_mm.map((s, i) => `${s},${got.rotations_deg[i] ?? ''},${got.bends_deg[i] ?? ''}`);
      const back = await file(`${name}-lra.csv`, `straight_mm,rotation_deg,bend_deg\n${rows.join('\n')}\n`);
      const again = JSON.parse((await endrel('bend', '--reverse', back, '--clr', `${clr}mm`, '--json')).out) as {
        points_mm: number[][];
      };
      // turned and moved in space, but as far from one another
      const apart = (p: number[], q: number[]) => Math.hypot(...p.map((c, i) => c - q[i]!));
      points.forEach((p, i) =>
        points.forEach((q, j) =>
          expect(apart(again.points_mm[i]!, again.points_mm[j]!), name).to.be.closeTo(apart(p, q), 1e-5),
        ),
      );
    }
  });

  it('endrel bend says what a usual bender cannot do with such a tube', async () => {
    const path = await file('short.csv', 'x,y,z\n0,0,0\n100,0,0\n100,60,0\n200,60,0\n');
    const cautions = async (clr: string) =>
      (JSON.parse((await endrel('bend', path, '--clr', clr, '--od', '3/8in', '--json')).out) as { cautions: string[] })
        .cautions;
    expect(await cautions('19.1mm')).to.deep.equal([]);
    expect((await cautions('19mm')).join()).to.match(/^a bend of 19 mm is tighter than 2 times/);
    expect((await cautions('24mm')).join()).to.match(/^straight 2 is 12\.0 mm; a usual bender needs 14\.3 mm/);
  });

  it('endrel hose gives the reference’s shapes and lengths', async () => {
    const { out } = await endrel('hose', reference('I_hose/inputs_hose.csv'), '--radius', '75mm', '--json');
    const { results } = JSON.parse(out) as {
      results: {
        case: string;
        least_radius_mm: number;
        turning_deg: number;
        energy_per_mm: number;
        points_mm: number[][];
        shortest_length_mm: number | null;
      }[];
    };
    const table = async (name: string) => {
      const [heading, ...rows] = (await readFile(reference(`I_hose/${name}`), 'utf8')).trim().split('\n');
      return rows.map((row) => Object.fromEntries(row.split(',').map((cell, i) => [heading!.split(',')[i]!, cell])));
    };
    for (const want of await table('results_hose.csv')) {
      const got = results.find((r) => r.case === want.case)!;
      expect(got.least_radius_mm / Number(want.least_radius_mm), want.case).to.be.closeTo(1, 1e-4);
      expect(got.energy_per_mm / Number(want.energy_per_mm), want.case).to.be.closeTo(1, 1e-4);
      expect(got.turning_deg, want.case).to.be.closeTo(Number(want.turning_deg), 2e-3);
      expect(got.points_mm).to.have.length(21);
    }
    let compared = 0;
    for (const want of await table('results_length.csv')) {
      if (Number(want.least_radius_wanted_mm) !== 75 || want.note !== '') continue;
      const got = results.find((r) => r.case === want.case)!;
      expect(got.shortest_length_mm, want.case).to.be.closeTo(Number(want.shortest_L_mm), 0.05);
      compared++;
    }
    expect(compared).to.be.above(5);
  });

  it('name what is wrong with a file, by row', async () => {
    const bad = async (text: string, ...args: string[]) => {
      const { code, err } = await endrel('bend', await file('bad.csv', text), ...args);
      expect(code).to.equal(2);
      return err;
    };
    const clr = ['--clr', '25mm'];
    expect(await bad('x,y,z\n0,0,0\n0,0,0\n', ...clr)).to.match(/point 2 lies where point 1 does/);
    expect(await bad('x,y,z\n0,0,0\nten,0,0\n', ...clr)).to.match(/row 3: x: “ten” is not a number/);
    expect(await bad('x,y\n0,0\n', ...clr)).to.match(/no z/);
    expect(await bad('x,y,z\n0,0,0\n1,0,0\n', '--clr', '0')).to.match(/centre-line radius/);
    expect(await bad('x,y,z\n0,0,0\n100,0,0\n', ...[])).to.match(/--clr/);
    expect(await bad(`x,y,z\n${'1,2,3\n'.repeat(100_000)}`, ...clr)).to.match(/more than 2000 rows/);
    expect(await bad('x,y,z\n0,0,0\n100,0,0\n0,0,0\n', ...clr)).to.match(
      /at point 2 the tube would turn straight back/,
    );
  });
});

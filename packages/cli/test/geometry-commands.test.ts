import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect } from 'chai';
import { run } from '../src/main.ts';

const folder = mkdtempSync(path.join(os.tmpdir(), 'endrel-geometry-'));
after(() => rmSync(folder, { recursive: true, force: true }));
const reference = new URL('../../core/test/reference/E_geometry/', import.meta.url);

function file(name: string, content: string | Uint8Array): string {
  const full = path.join(folder, name);
  writeFileSync(full, content);
  return full;
}
async function endrel(...args: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(args, { out: (t) => out.push(t), err: (t) => err.push(t) });
  return { code, out: out.join('\n'), err };
}
const json = async (...args: string[]) => JSON.parse((await endrel(...args, '--json')).out) as Record<string, any>;

/** A box as binary STL in millimetres. */
function boxStl(x: number, y: number, z: number): Uint8Array {
  const v = [
    [0, 0, 0],
    [x, 0, 0],
    [x, y, 0],
    [0, y, 0],
    [0, 0, z],
    [x, 0, z],
    [x, y, z],
    [0, y, z],
  ];
  const quads = [
    [0, 3, 2, 1],
    [4, 5, 6, 7],
    [0, 1, 5, 4],
    [1, 2, 6, 5],
    [2, 3, 7, 6],
    [3, 0, 4, 7],
  ];
  const triangles = quads.flatMap(([a, b, c, d]) => [
    [a!, b!, c!],
    [a!, c!, d!],
  ]);
  const bytes = new Uint8Array(84 + 50 * triangles.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(80, triangles.length, true);
  triangles.forEach((t, i) =>
    t.forEach((corner, k) =>
      v[corner]!.forEach((value, axis) => view.setFloat32(84 + 50 * i + 12 + 12 * k + 4 * axis, value, true)),
    ),
  );
  return bytes;
}

// Reference: packages/core/test/reference/README.md, section E.
describe('endrel tank volume', () => {
  const shapes = JSON.parse(readFileSync(new URL('shapes.json', reference), 'utf8')) as Record<string, unknown>;
  const [head, ...lines] = readFileSync(new URL('results_volumes.csv', reference), 'utf8').trim().split('\n');
  const rows = lines.map((line) => Object.fromEntries(line.split(',').map((cell, i) => [head!.split(',')[i]!, cell])));
  it('agrees with the reference for an entry of its shapes, at every tilt, negative ones too', async () => {
    for (const row of rows) {
      const name = file(`${row.shape}.json`, JSON.stringify(shapes[row.shape!]));
      const found = await json(
        'tank',
        'volume',
        name,
        '--level',
        `${Number(row.level_m) * 1000}mm`,
        '--pitch',
        `${row.pitch_deg}deg`,
        '--roll',
        row.roll_deg!,
      );
      expect(found.volume_L).to.be.closeTo(Number(row.volume_L), 1e-5);
      const parts = row.parts_L!.split(' ').map((cell) => Number(cell.split('=')[1]));
      (found.parts_L as number[]).forEach((part, i) => expect(part).to.be.closeTo(parts[i]!, 1e-5));
    }
  });
  it('reads a mesh in mm, or in the unit that is said', async () => {
    const name = file('box.stl', boxStl(600, 400, 250));
    const row = rows.find((r) => r.shape === 'box' && r.pitch_deg === '10')!;
    const tilted = await json(
      'tank',
      'volume',
      name,
      '--level',
      `${row.level_m} m`,
      '--pitch',
      '10deg',
      '--roll',
      '-6deg',
    );
    expect(tilted.volume_L).to.be.closeTo(Number(row.volume_L), 1e-5);
    expect((await json('tank', 'volume', name, '--level', '5 m', '--stl-unit', 'cm')).volume_L).to.be.closeTo(
      60_000 * 0.8 + 12_000,
      1e-3,
    );
  });
  it('reads a strapping table, in mm and L or in what its heading says', async () => {
    const plain = file('plain.csv', '0,0\n100,24\n250,60\n');
    const named = file('named.csv', 'level (in),volume_gal\n0,0\n10,20\n');
    expect((await json('tank', 'volume', plain, '--level', '100mm')).volume_L).to.equal(24);
    expect((await json('tank', 'volume', named, '--level', '5in')).volume_L).to.be.closeTo(10 * 3.785411784, 1e-6);
  });
  const bad: [string, () => string[], RegExp][] = [
    ['no level', () => [file('a.csv', '0,0\n1,1')], /needs a --level/],
    ['a tilted table', () => [file('a.csv', '0,0\n1,1'), '--level', '1', '--pitch', '2'], /level volumes only/],
    ['a falling table', () => [file('b.csv', '0,0\n10,9\n20,8'), '--level', '1'], /volume falls in row 3/],
    ['an open mesh', () => [file('c.stl', boxStl(1, 1, 1).slice(0)), '--level', 'deep'], /--level: There is no number/],
    ['something that is no STL', () => [file('d.stl', 'hello'), '--level', '1'], /is not an STL file/],
    [
      'a part that runs backwards',
      () => [file('e.json', '{"parts":[{"name":"a","type":"box","x":[1,0],"y":[0,1],"z":[0,1]}]}'), '--level', '1'],
      /parts[.]0[.]x must run/,
    ],
    ['an unknown kind', () => [file('f.txt', ''), '--level', '1'], /neither/],
    ['an upright tank', () => [file('a.csv', '0,0\n1,1'), '--level', '1', '--roll', '95deg'], /less than 90/],
  ];
  for (const [name, args, sentence] of bad)
    it(`exits 2 on ${name}, with one line`, async () => {
      const { code, err } = await endrel('tank', 'volume', ...args());
      expect(code).to.equal(2);
      expect(err).to.have.length(1);
      expect(err[0]).to.match(sentence);
    });
});

describe('endrel hanger opening', () => {
  it('gives the smallest opening for unlike bodies (reference k04: 92.85714 mm)', async () => {
    expect((await json('hanger', 'opening', '--bodies', '39,39,50')).enclosing_mm).to.be.closeTo(92.85714, 1e-4);
    expect((await json('hanger', 'opening', '--bodies', '1.5in,1.5in')).enclosing_mm).to.be.closeTo(76.2, 1e-4);
  });
  it('exits 2 on a body that is none', async () => {
    expect((await endrel('hanger', 'opening', '--bodies', '39,-5')).code).to.equal(2);
    expect((await endrel('hanger', 'opening')).code).to.equal(2);
  });
});

describe('endrel sender match', () => {
  it('gives the network, its values and errors (reference s01)', async () => {
    const found = (await json('sender', 'match', '--sender', '240-33', '--gauge', '300-100')) as {
      match: string;
      network: Record<string, number>;
      e24: Record<string, number>;
    };
    expect(found.match).to.equal('network');
    expect(found.network.series_ohm).to.be.closeTo(67.8581, 1e-3);
    expect(found.network.parallel_ohm).to.be.closeTo(11753.1, 0.5);
    expect(found.network.mid_reading).to.be.closeTo(0.495672, 1e-4);
    expect(found.e24.worst_end_error).to.be.lessThan(0.02);
  });
  it('says why none exists: opposite sense, or a span too wide', async () => {
    const opposite = await json('sender', 'match', '--sender', '240-33', '--gauge', '0-90');
    expect(opposite).to.include({ match: 'none', network: null });
    expect(opposite.reason).to.match(/opposite senses/);
    expect((await json('sender', 'match', '--sender', '0-90', '--gauge', '10-180')).reason).to.match(/spans more ohms/);
  });
  it('exits 2 on a range that is none', async () => {
    expect((await endrel('sender', 'match', '--sender', '240', '--gauge', '0-90')).code).to.equal(2);
  });
});

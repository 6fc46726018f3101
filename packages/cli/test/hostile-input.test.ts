import { spawn } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync, writeFileSync, writeSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect } from 'chai';
import { demoJobs } from '@endrel/core/demo/index';
import { run } from '../src/main.ts';
import { jsonText } from '../src/output.ts';

const folder = mkdtempSync(path.join(os.tmpdir(), 'endrel-hostile-'));
after(() => rmSync(folder, { recursive: true, force: true }));
const program = path.join(import.meta.dirname, '../bin/endrel.mjs');

const at = (name: string) => path.join(folder, name);
function put(name: string, content: unknown): string {
  writeFileSync(at(name), typeof content === 'string' ? content : JSON.stringify(content));
  return at(name);
}
async function endrel(args: readonly string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(args, { out: (t) => out.push(t), err: (t) => err.push(t) });
  return { code, out: out.join('\n'), err };
}

const network = {
  id: 'n',
  fluid: { rho_kg_m3: 740, mu_Pa_s: 5e-4 },
  nodes: [
    { id: 'a', type: 'reservoir', z_m: 0 },
    { id: 'b', type: 'junction', z_m: 0, demand_L_h: 10 },
  ],
  links: [{ id: 'p', type: 'pipe', from: 'a', to: 'b', length_m: 1, bore_mm: 8, roughness_m: 1e-6 }],
};
const withLength = (length: string) => JSON.stringify(network).replace('"length_m":1', `"length_m":${length}`);
const inp = `[JUNCTIONS]\n b 0 1\n[RESERVOIRS]\n a 0\n[PIPES]\n p a b 1 8 0.001 0 OPEN\n[OPTIONS]\n UNITS LPM\n HEADLOSS D-W\n VISCOSITY 1\n`;
const table = 'level_mm,volume_L\n0,0\n100,10\n200,20\n';
const many = (count: number, row: (i: number) => string) => Array.from({ length: count }, (_, i) => row(i)).join('\n');

/** What is asked, and what the one line of complaint has to name; a `read` one is no fault. */
const cases: [what: string, make: () => string[], complaint: RegExp | 'read'][] = [
  ['a mark of byte order before JSON', () => ['network', put('bom.json', `\ufeff${JSON.stringify(network)}`)], 'read'],
  [
    'a mark of byte order before a job',
    () => ['solve', put('bom.endrel.json', `\ufeff${JSON.stringify(demoJobs.mailVan)}`)],
    'read',
  ],
  [
    'a mark of byte order before CSV',
    () => ['tank', 'volume', put('bom.csv', `\ufeff${table}`), '--level', '100mm'],
    'read',
  ],
  [
    'carriage returns alone in CSV',
    () => ['tank', 'volume', put('cr.csv', table.replaceAll('\n', '\r')), '--level', '100mm'],
    'read',
  ],
  ['carriage returns alone in a network', () => ['network', put('cr.inp', inp.replaceAll('\n', '\r'))], 'read'],
  [
    '1e999 in JSON',
    () => ['network', put('inf.json', withLength('1e999'))],
    /links\.0\.length_m is not a finite number/,
  ],
  ['-5 in JSON', () => ['network', put('neg.json', withLength('-5'))], /links\.0\.length_m cannot be negative/],
  [
    '1e999 in CSV',
    () => ['tank', 'volume', put('inf.csv', 'level_mm,volume_L\n0,0\n100,1e999\n'), '--level', '50mm', '--json'],
    /“1e999” in row 2 is larger than any number/,
  ],
  [
    '-5 in CSV',
    () => ['tank', 'volume', put('neg.csv', 'level_mm,volume_L\n0,0\n100,-5\n'), '--level', '50mm'],
    /“-5” in row 2.*cannot be negative/,
  ],
  [
    '1e999 as an option',
    () => ['tank', 'volume', put('a.csv', table), '--level', '1e999mm'],
    /“1e999” is larger than any number/,
  ],
  [
    '1e999 as ohms',
    () => ['sender', 'match', '--sender', '1e999-33', '--gauge', '0-90'],
    /“1e999” is larger than any number/,
  ],
  ['-5 as a body', () => ['hanger', 'opening', '--bodies', '-5,39'], /cannot be negative|cannot be under/],
  ['-5 as ohms', () => ['sender', 'match', '--sender', '240-33', '--gauge', '-5-90'], /ohms cannot be negative/],
  ['an option that there is not', () => ['solve', 'x', '--nonsense'], /nonsense/],
  [
    'a node called __proto__',
    () => ['network', put('proto.json', JSON.stringify(network).replaceAll('"a"', '"__proto__"'))],
    /name that cannot be used/,
  ],
  [
    'a node called constructor in EPANET’s file',
    () => ['network', put('proto.inp', inp.replace(' a 0', ' constructor 0').replace('p a b', 'p constructor b'))],
    /name that cannot be used/,
  ],
  ['1e308 in JSON', () => ['network', put('huge.json', withLength('1e308'))], /links\.0\.length_m is beyond/],
  ['an escape to the terminal', () => ['network', put('esc.json', withLength('"\\u001b[31mred"'))], /length_m/],
  ['a command that is a screenful', () => ['x'.repeat(9000)], /^.{1,500}$/],
  ['an escape in a command', () => ['a\u001b[2J'], /there is no command/],
  ['null', () => ['network', put('null.json', 'null')], /the network is not an object/],
  ['a file that is none', () => ['solve', at('nowhere')], /there is no file/],
  ['a folder', () => ['solve', folder], /cannot be read/],
  ['brackets, 200 000 deep', () => ['solve', put('deep.json', '['.repeat(200_000))], /nested deeper/],
  ['a nested network', () => ['network', put('deep2.json', '['.repeat(200_000))], /not JSON/],
  [
    '300 000 points of a curve',
    () => [
      'network',
      put('curve.json', {
        ...network,
        curves: [{ id: 'c', points_Lh_kPa: Array.from({ length: 300_000 }, (_, i) => [i, 3e5 - i]) }],
      }),
    ],
    /has more than 500 points/,
  ],
  [
    '100 000 demands',
    () => [
      'network',
      put('demands.json', {
        ...network,
        scenarios: [
          { id: 's', demands_L_h: Object.fromEntries(Array.from({ length: 100_000 }, (_, i) => [`x${i}`, 1])) },
        ],
      }),
    ],
    /has more than 20000 entries/,
  ],
  [
    '300 000 points in an input file',
    () => ['network', put('curve.inp', `${inp}[CURVES]\n${many(300_000, (i) => ` c ${i} ${i}`)}\n`)],
    /line 60012: more than 60000 rows/,
  ],
  [
    '100 000 demands in an input file',
    () => ['network', put('demands.inp', `${inp}[DEMANDS]\n${many(100_000, () => ' b 1')}\n`)],
    /more than 60000 rows/,
  ],
  [
    '5000 rows of a strapping table',
    () => [
      'tank',
      'volume',
      put(
        'long.csv',
        many(5000, (i) => `${i},${i}`),
      ),
      '--level',
      '5mm',
    ],
    /more than 4000 rows/,
  ],
  ['100 MB of readings', () => ['thread', '--readings', large('readings.csv', 100)], /larger than/],
  ['readings of nothing', () => ['thread', '--readings', put('none.csv', '')], /needs a heading and a reading/],
  ['1e999 as a diameter', () => ['thread', '--od', '1e999mm'], /“1e999” is larger than any number/],
  ['-5 as a pitch', () => ['thread', '--od', '14mm', '--pitch=-5mm'], /is not a pitch/],
  ['a port of 10 000 words', () => ['chain', 'male '.repeat(10_000), 'female npt 3/8'], /is no form of port/],
  ['100 MB of CSV', () => ['tank', 'volume', large('large.csv', 100), '--level', '5mm'], /larger than 0\.2 MB/],
  ['100 MB of JSON', () => ['solve', large('large.json', 100)], /larger than 2 MB/],
];

function large(name: string, megabytes: number): string {
  const file = openSync(at(name), 'w');
  const block = '1,2\n'.repeat(262_144);
  for (let i = 0; i < megabytes; i++) writeSync(file, block);
  closeSync(file);
  return at(name);
}

describe('the command line with hostile input', () => {
  for (const [what, make, complaint] of cases)
    it(`${what}: ${complaint === 'read' ? 'is read' : 'one line that names it'}`, async () => {
      const args = make();
      const memory = process.memoryUsage().rss;
      const { code, out, err } = await endrel(args);
      if (complaint === 'read') {
        expect([code, err]).to.deep.equal([0, []]);
        return;
      }
      expect(code).to.equal(2);
      expect(out, 'no answer beside a complaint').to.equal('');
      expect(err).to.have.length(1);
      expect(err[0])
        .to.match(complaint)
        .and.match(/^endrel: .*$/);
      expect((process.memoryUsage().rss - memory) / 2 ** 20, 'MB more than before').to.be.below(400);
    });

  it('says one line, and that it is its own fault, when a figure cannot be reckoned', () => {
    expect(() => jsonText({ volume_L: NaN })).to.throw(/“volume_L” came out as NaN/);
    expect(() => jsonText({ parts: [1, Infinity] })).to.throw(/came out as Infinity/);
    expect(jsonText({ parallel_ohm: null, a: 1.5 })).to.equal('{"parallel_ohm":null,"a":1.5}');
  });
  it('ends quietly when nobody reads on', async () => {
    const big = put('many.json', { ...network, scenarios: Array.from({ length: 1000 }, (_, i) => ({ id: `s${i}` })) });
    const child = spawn(process.execPath, [program, 'network', big, '--json'], { stdio: ['ignore', 'pipe', 'pipe'] });
    let complaint = '';
    child.stderr.on('data', (chunk) => (complaint += String(chunk)));
    child.stdout.destroy();
    await new Promise((resolve) => child.once('exit', resolve));
    expect(complaint).to.equal('');
  });
  it('writes an input file that a hostile job name does not change', async () => {
    const { out: plain } = await endrel(['inp', put('p.json', demoJobs.mailVan)]);
    const named = { ...demoJobs.mailVan, name: '[PIPES]\n x a b 1 8 0.001 0 OPEN' };
    const file = put('n.json', named);
    const { out: hostile } = await endrel(['inp', file]);
    const rest = (text: string) => text.split('\n').slice(2);
    expect(rest(hostile)).to.deep.equal(rest(plain));
    expect(hostile.split('\n')[1]).to.equal('PIPES] x a b 1 8 0.001 0 OPEN, full load');
    expect(JSON.parse(readFileSync(file, 'utf8')).name).to.include('\n');
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { meshTextFault } from '../src/attachments/tank-mesh.ts';
import { demoJobs } from '../src/demo/index.ts';
import { describeIssue, readJobFile } from '../src/job/read-job-file.ts';
import { plainNetworkSchema } from '../src/networks/plain-network.ts';
import { readInp } from '../src/networks/read-inp.ts';
import { readShelfCsv } from '../src/joints/shelf-csv.ts';
import { readReadingsCsv } from '../src/threads/read-readings-csv.ts';
import { readPumpCsv } from '../src/pumps/read-pump-csv.ts';
import { closedMesh } from '../src/meshes/mesh.ts';
import { partedTankSchema } from '../src/tanks/parted-tank.ts';
import { readStl } from '../src/tanks/read-stl.ts';
import { describeStrappingFault, readStrappingCsv } from '../src/tanks/read-strapping-csv.ts';
import { describeMeshFault } from '../src/tanks/tank-fault.ts';
import { casesOf, seedOf, PATIENCE } from './search.ts';

const cells = (text: string) => text.split(/\r\n|\r|\n/).map((line) => line.split(','));
const bytes = (text: string) => new TextEncoder().encode(text);
const first = <T>(list: readonly T[]): T => list[0]!;
const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
};
const facet = (z: number) =>
  `facet normal 0 0 1\n outer loop\n  vertex 0 0 ${z}\n  vertex 1 0 ${z}\n  vertex 0 1 ${z}\n endloop\nendfacet\n`;

/** Every way in for a file: a good one, and what is made of any text: a value, or why not in words. */
const imports: Record<
  string,
  { readonly good: string; readonly read: (text: string) => { value: unknown } | { why: string } }
> = {
  'a job file': {
    good: JSON.stringify(demoJobs.mailVan),
    read(text) {
      const read = readJobFile(text);
      return read.ok ? { value: read.value.job } : { why: describeIssue(first(read.fault)) };
    },
  },
  'a shelf': {
    good: 'code,port 1,port 2,bore,count\na,male flare37 -6,female npt 1/4,7,2',
    read(text) {
      const read = readShelfCsv(cells(text));
      return read.ok ? { value: read.value } : { why: first(read.fault).message };
    },
  },
  'readings of threads': {
    good: 'case,gender,diameter_read_mm,pitch_form,crests,crests_span_mm,count_length_mm,count,taper_seen,seat_seen\nt1,male,14.2,crests,10,12.7,,,no,cone',
    read(text) {
      const read = readReadingsCsv(cells(text));
      return read.ok ? { value: read.value } : { why: first(read.fault).message };
    },
  },
  'a pump table': {
    good: 'voltage,pressure,flow\nV,kPa,L/h\n13.5,300,250\n13.5,400,240',
    read(text) {
      const read = readPumpCsv(cells(text));
      return read.ok ? { value: read.value } : { why: first(read.fault).message };
    },
  },
  'a strapping table': {
    good: 'level_mm,volume_L\n0,0\n100,10\n200,20',
    read(text) {
      const read = readStrappingCsv(cells(text));
      return read.ok ? { value: read.value } : { why: describeStrappingFault(read.fault) };
    },
  },
  'an STL mesh': {
    good: `solid tank\n${facet(0)}${facet(1)}endsolid tank\n`,
    read(text) {
      const read = readStl(bytes(text), 0.001);
      if (!read.ok) return { why: describeMeshFault(read.fault) };
      const closed = closedMesh(read.value);
      return closed.ok ? { value: [...closed.value.corners] } : { why: describeMeshFault(closed.fault) };
    },
  },
  'a mesh attachment': {
    good: '{"name":"scan.stl","corners":"AAAA","triangles":""}',
    read(text) {
      const why = meshTextFault(text);
      return why === undefined ? { value: text } : { why };
    },
  },
  'an input file of a network': {
    good: '[JUNCTIONS]\n b 0 1\n[RESERVOIRS]\n a 0\n[PIPES]\n p a b 1 8 0.001 0 OPEN\n[OPTIONS]\n UNITS LPM\n HEADLOSS D-W\n VISCOSITY 1\n',
    read(text) {
      const read = readInp(text);
      if (!read.ok) return { why: read.fault.message };
      const checked = plainNetworkSchema.safeParse(read.value);
      return checked.success ? { value: checked.data } : { why: first(checked.error.issues).message };
    },
  },
  'a plain network': {
    good: '{"id":"n","fluid":{"rho_kg_m3":740,"mu_Pa_s":5e-4},"nodes":[{"id":"a","type":"reservoir","z_m":0},{"id":"b","type":"junction","z_m":0}],"links":[{"id":"p","type":"pipe","from":"a","to":"b","length_m":1,"bore_mm":8,"roughness_m":1e-6}]}',
    read(text) {
      const checked = plainNetworkSchema.safeParse(parsed(text));
      return checked.success ? { value: checked.data } : { why: first(checked.error.issues).message };
    },
  },
  'a tank of parts': {
    good: '{"datum_xy":[0,0],"parts":[{"name":"a","type":"box","x":[0,1],"y":[0,1],"z":[0,1]}]}',
    read(text) {
      const checked = partedTankSchema.safeParse(parsed(text));
      return checked.success ? { value: checked.data } : { why: first(checked.error.issues).message };
    },
  },
};

const hostile: Record<string, (good: string) => string> = {
  nothing: () => '',
  blanks: () => ' \n\t\r\n ',
  NUL: () => '\0'.repeat(1000),
  null: () => 'null',
  'an empty object': () => '{}',
  'an array': () => '[]',
  'one very long line': () => 'x'.repeat(1_000_000),
  brackets: () => '['.repeat(100_000),
  'prototype keys': (good) => good.replace('{', '{"__proto__":{"x":1},"constructor":1,'),
  'a formula': (good) => good.replace(/\d+/, '=HYPERLINK("x")'),
  'numbers beyond all': (good) => good.replace(/\d+(\.\d+)?/g, '1e999'),
  'numbers that are none': (good) => good.replace(/\d+(\.\d+)?/g, 'NaN'),
  'numbers below nothing': (good) => good.replace(/\d+(\.\d+)?/g, '-5'),
  'a decimal comma': (good) => good.replace(/(\d)\.(\d)/g, '$1,$2'),
  'half of it': (good) => good.slice(0, good.length / 2),
  'twice over': (good) => good + good,
  'odd characters': (good) => good.replace(/[a-z]/, '\u000b').replace(/[a-z]/, '\ud800'),
  'the mark of byte order in the middle': (good) => `${good.slice(0, 20)}\ufeff${good.slice(20)}`,
};

/** Every number in it is one. */
function expectFinite(value: unknown): void {
  if (typeof value === 'number') expect(Number.isFinite(value), String(value)).to.equal(true);
  else if (typeof value === 'object' && value !== null) for (const held of Object.values(value)) expectFinite(held);
}

function expectJudged(outcome: { value: unknown } | { why: string }): void {
  if ('value' in outcome) expectFinite(outcome.value);
  else
    expect(outcome.why)
      .to.match(/\S/)
      .and.not.match(/undefined|\[object/);
}

describe('a hostile file', () => {
  for (const [what, { good, read }] of Object.entries(imports)) {
    for (const [how, make] of Object.entries(hostile))
      it(`for ${what}: ${how} is read or refused in words`, () => expectJudged(read(make(good))));

    it(`for ${what}: a good one with any part of it changed, cut or doubled is read or refused in words`, () => {
      fc.assert(
        fc.property(
          fc.nat(good.length),
          fc.nat(40),
          fc.oneof(
            fc.string({ unit: 'binary', maxLength: 12 }),
            fc.constantFrom('1e999', '-1', '0', '""', '{}', '[]', 'null', ',', '\r', '\u0000', '9'.repeat(400)),
          ),
          (at, length, put) => expectJudged(read(good.slice(0, at) + put + good.slice(at + length))),
        ),
        { seed: seedOf(8), numRuns: casesOf(600) },
      );
    }).timeout(PATIENCE);
  }

  it('in carriage returns alone is what it is', () => {
    for (const what of ['a pump table', 'a strapping table', 'an STL mesh', 'an input file of a network']) {
      const { good, read } = imports[what]!;
      expect(read(good.replaceAll('\n', '\r')), what).to.deep.equal(read(good));
      expect(read(good.replaceAll('\n', '\r\n')), what).to.deep.equal(read(good));
    }
  });
  it('of random bytes is no mesh', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 600 }), (raw) => {
        const read = readStl(raw, 0.001);
        expectJudged(read.ok ? { value: [...read.value] } : { why: describeMeshFault(read.fault) });
      }),
      { seed: seedOf(9), numRuns: casesOf(3000) },
    );
  });
});

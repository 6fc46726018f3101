import { expect } from 'chai';
import { cleanJob } from '../../test/rule-cases.ts';
import { measured } from '../fields/measured.ts';
import { needsOf } from '../reckoning/needs.ts';
import { needTitle } from '../reckoning/need-title.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { describeStrappingFault, readStrappingCsv } from './read-strapping-csv.ts';
import { surveyedTank } from './surveyed-tank.ts';
import { describeMeshFault, describeTankFault, faultPlaces, type TankFault } from './tank-fault.ts';

const mm = (value: number) => measured(value / 1000, 'mm');
const cells = (text: string) => text.split('\n').map((line) => line.split(','));

describe('a tank that is none', () => {
  const outcome = (tank: Parameters<typeof surveyedTank>[0]) => {
    const found = surveyedTank(tank);
    return found.kind === 'fault' ? describeTankFault(found.fault) : found.kind;
  };
  it('is told in a sentence with the place', () => {
    const station = (id: string, at: number) => ({ id, at: mm(at), width: mm(300), height: mm(200) });
    expect(outcome({ shape: 'loft', stations: [station('a', 0), station('b', 300), station('c', 200)] })).to.include(
      'Section 2',
    );
    expect(outcome({ shape: 'loft', stations: [station('a', 0)] })).to.equal('needs');
    expect(
      outcome({
        shape: 'saddle',
        depth: mm(200),
        length: mm(400),
        leftWidth: mm(200),
        rightWidth: mm(200),
        bridgeWidth: mm(100),
        bridgeFloor: mm(220),
      }),
    ).to.include('at the tank’s roof or above it');
    expect(
      outcome({
        shape: 'saddle',
        depth: mm(200),
        length: mm(400),
        leftWidth: mm(200),
        rightWidth: mm(200),
        bridgeWidth: mm(100),
        bridgeFloor: mm(120),
        rightFloor: mm(200),
      }),
    ).to.include('floor of its right lobe');
    expect(
      outcome({
        shape: 'stepped',
        depth: mm(200),
        width: mm(400),
        zones: [
          { id: 'a', length: mm(300), floor: mm(0) },
          { id: 'b', length: mm(300), floor: mm(260) },
        ],
      }),
    ).to.include('floor of its step 2');
    expect(
      outcome({
        shape: 'strapping',
        strapping: [0, 100].map((level) => ({ level: mm(level), volume: { si: 0, unit: 'L' } })),
      }),
    ).to.include('no volume');
    expect(
      outcome({
        shape: 'stepped',
        depth: mm(200),
        width: mm(300),
        zones: [{ id: 'a', length: mm(300), floor: mm(0) }],
        sumpLength: mm(100),
        sumpWidth: mm(100),
        sumpDepth: mm(20),
        sumpForward: mm(140),
      }),
    ).to.include('sump reaches outside');
    expect(
      outcome({
        shape: 'strapping',
        strapping: [
          { level: mm(0), volume: measured(0, 'L') },
          { level: mm(0), volume: measured(0.01, 'L') },
        ],
      }),
    ).to.include('Row 2');
    expect(outcome({ shape: 'cylinder', depth: mm(300), length: mm(500), ends: 'dished' })).to.equal('needs');
  });
  it('has a sentence for every fault of a mesh or its file', () => {
    const place = [0.1, -0.2, 0.05] as const;
    for (const [fault, words] of [
      [{ code: 'empty' }, 'encloses no volume'],
      [
        { code: 'notClosed', openEdges: 1, places: [place] },
        '1 edge has no triangle on one side, the first at (100, −200, 50) mm',
      ],
      [{ code: 'mixedFacing', edges: 3, places: [place] }, 'at 3 edges neighbours face opposite ways'],
      [{ code: 'notStl' }, 'not an STL file'],
      [{ code: 'cutShort', triangles: 3, expected: 12 }, '3 of 12 triangles'],
      [{ code: 'badNumber', line: 7 }, 'line or triangle 7'],
      [{ code: 'tooMany', triangles: 9e6 }, 'make it coarser'],
      [{ code: 'damaged' }, 'read the file in again'],
    ] as const)
      expect(describeMeshFault(fault)).to.include(words);
  });
  it('gives the drawing the place to mark', () => {
    const crossing: TankFault = { code: 'section', fault: { code: 'crosses', sides: [0, 2], at: [0.1, 0.1] } };
    expect(faultPlaces(crossing).section).to.deep.equal([0.1, 0.1]);
    expect(
      faultPlaces({ code: 'mesh', fault: { code: 'notClosed', openEdges: 1, places: [[1, 2, 3]] } }).mesh,
    ).to.deep.equal([[1, 2, 3]]);
    expect(faultPlaces({ code: 'aboveRoof', part: 'bridge' })).to.deep.equal({});
  });
});

describe('a strapping table from CSV', () => {
  const read = (text: string) => {
    const table = readStrappingCsv(cells(text));
    const exact = (v: number) => Number(v.toPrecision(12));
    return table.ok
      ? table.value.rows.map((r) => ({ level: exact(r.level), volume: exact(r.volume) }))
      : describeStrappingFault(table.fault);
  };
  it('reads the units of its heading, in brackets or after an underscore; mm and L without one', () => {
    expect(read('level_mm,volume_L\n0,0\n100,20')).to.deep.equal([
      { level: 0, volume: 0 },
      { level: 0.1, volume: 0.02 },
    ]);
    expect(read('Level (in),Volume (gal)\n0,0\n1,1')).to.deep.equal([
      { level: 0, volume: 0 },
      { level: 0.0254, volume: 0.003785411784 },
    ]);
    expect(read('0,0\n50,5')).to.deep.equal([
      { level: 0, volume: 0 },
      { level: 0.05, volume: 0.005 },
    ]);
  });
  it('names what is wrong with it', () => {
    expect(read('')).to.include('at least two rows');
    expect(read('level_furlong,volume_L\n0,0\n1,1')).to.include('“furlong” in the heading');
    expect(read('0,0\n50,x')).to.equal('“x” in row 2 is not a number.');
    expect(read('0,0\n50,-1')).to.include('row 2');
    expect(read('0,5\n50,4')).to.include('the volume falls in row 2');
    expect(read('0,5\n0,6')).to.include('is there twice');
  });
});

describe('litres of the surveyed tank', () => {
  it('are filled, ullage and share of the plate', () => {
    const { tank } = findingsOf(cleanJob((j) => (j.survey.tank.fillShare = measured(0.9, '%'))));
    expect(tank.filled).to.be.closeTo(0.9 * tank.full!, 1e-12);
    expect(tank.ullage).to.be.closeTo(0.1 * tank.full!, 1e-12);
    expect(tank.ofCapacity).to.be.closeTo(tank.full! / 0.058, 1e-12);
    expect(tank.canTilt).to.equal(true);
  });
  it('wait for what is unmeasured by its name, once the gauge asks for them', () => {
    const job = cleanJob((j) => {
      j.survey.tank.shape = 'saddle';
    });
    const names = needsOf(job).map((n) => needTitle(job, n));
    expect(names).to.include.members(['left lobe width', 'right lobe width', 'bridge width', 'bridge floor height']);
    expect(findingsOf(job).tank.needs).to.include('bridgeWidth');
  });
});

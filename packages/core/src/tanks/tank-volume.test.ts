import { expect } from 'chai';
import fc from 'fast-check';
import { referenceJson, referenceRows } from '../../test/read-reference.ts';
import { boxVolume } from './box-volume.ts';
import { fuelPlane } from '../meshes/fuel-plane.ts';
import { closedMesh, meshVolume, type Mesh } from '../meshes/mesh.ts';
import { readStl } from './read-stl.ts';
import { levelAtVolume, strappingTable, volumeAtLevel } from './strapping-table.ts';
import { partedSolids, partedTankSchema } from './parted-tank.ts';
import { solidVolume } from './solid.ts';

const degrees = Math.PI / 180;
const shapes = referenceJson('E_geometry/shapes.json') as Record<string, unknown>;

// Reference: closed forms and Qhull (scipy 1.10.1), test/reference/README.md, section E; 8 digits.
describe('volume under a tilted surface', () => {
  for (const row of referenceRows('E_geometry/results_volumes.csv'))
    it(`${row.shape} at ${row.level_m} m, pitch ${row.pitch_deg}°, roll ${row.roll_deg}°: total and each part`, () => {
      const tank = partedTankSchema.parse(shapes[row.shape!]);
      const plane = fuelPlane(
        Number(row.level_m),
        Number(row.pitch_deg) * degrees,
        Number(row.roll_deg) * degrees,
        tank.datum_xy,
      );
      const parts = partedSolids(tank).map((solid) => ({ name: solid.name, volume: solidVolume(solid, plane) }));
      const total = parts.reduce((sum, p) => sum + p.volume, 0) * 1000;
      expect(total).to.be.closeTo(Number(row.volume_L), 2e-7 * Number(row.full_L));
      const wanted = row.parts_L!.split(' ').map((cell) => cell.split('=') as [string, string]);
      expect(parts.map((p) => p.name)).to.deep.equal(wanted.map(([name]) => name));
      parts.forEach((part, i) =>
        expect(part.volume * 1000).to.be.closeTo(Number(wanted[i]![1]), 2e-7 * Number(row.full_L)),
      );
    });
});

/** The twelve triangles of a box. */
function boxMesh([x1, x2]: number[], [y1, y2]: number[], [z1, z2]: number[]): Float64Array {
  const v = [
    [x1, y1, z1],
    [x2, y1, z1],
    [x2, y2, z1],
    [x1, y2, z1],
    [x1, y1, z2],
    [x2, y1, z2],
    [x2, y2, z2],
    [x1, y2, z2],
  ] as number[][];
  const quads = [
    [0, 3, 2, 1],
    [4, 5, 6, 7],
    [0, 1, 5, 4],
    [1, 2, 6, 5],
    [2, 3, 7, 6],
    [3, 0, 4, 7],
  ];
  return Float64Array.from(quads.flatMap(([a, b, c, d]) => [a, b, c, a, c, d].flatMap((i) => v[i!]!)));
}
const meshOf = (corners: Float64Array): Mesh => {
  const closed = closedMesh(corners);
  if (!closed.ok) throw new Error(closed.fault.code);
  return closed.value;
};

describe('volume of a mesh', () => {
  it('equals the closed form of a box at any level and tilt', () => {
    const angle = fc.double({ min: -0.5, max: 0.5, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: -0.1, max: 0.4, noNaN: true }), angle, angle, (level, pitch, roll) => {
        const [x, y, z] = [
          [0.1, 0.7],
          [-0.2, 0.2],
          [0.02, 0.27],
        ] as [[number, number], [number, number], [number, number]];
        const plane = fuelPlane(level, pitch, roll, [0.4, 0]);
        expect(meshVolume(meshOf(boxMesh(x, y, z)), plane)).to.be.closeTo(boxVolume(x, y, z, plane), 1e-12);
      }),
      { seed: 31 },
    );
  });
  it('adds two lobes that do not touch', () => {
    const two = Float64Array.from([...boxMesh([0, 1], [0, 1], [0, 1]), ...boxMesh([2, 3], [0, 1], [0, 1])]);
    expect(meshVolume(meshOf(two), fuelPlane(0.25, 0, 0))).to.be.closeTo(0.5, 1e-12);
  });
  it('turns an inside-out mesh round, and refuses one with a hole', () => {
    const box = boxMesh([0, 1], [0, 1], [0, 1]);
    const insideOut = Float64Array.from(box);
    for (let t = 0; t < box.length; t += 9)
      for (let k = 0; k < 3; k++) [insideOut[t + 3 + k], insideOut[t + 6 + k]] = [box[t + 6 + k]!, box[t + 3 + k]!];
    expect(meshVolume(meshOf(insideOut), fuelPlane(2, 0, 0))).to.be.closeTo(1, 1e-12);
    const open = closedMesh(box.slice(9));
    expect(!open.ok && open.fault).to.include({ code: 'notClosed', openEdges: 3 });
    expect(closedMesh(new Float64Array(0))).to.deep.equal({ ok: false, fault: { code: 'empty' } });
  });
});

const asciiStl = (corners: Float64Array) =>
  `solid box\n${Array.from({ length: corners.length / 9 }, (_, t) => `facet normal 0 0 0\nouter loop\n${[0, 3, 6].map((k) => `vertex ${corners.slice(9 * t + k, 9 * t + k + 3).join(' ')}`).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid box\n`;
function binaryStl(corners: Float64Array): Uint8Array {
  const bytes = new Uint8Array(84 + (corners.length / 9) * 50);
  const view = new DataView(bytes.buffer);
  bytes.set(new TextEncoder().encode('solid that is binary all the same'));
  view.setUint32(80, corners.length / 9, true);
  corners.forEach((value, i) => view.setFloat32(84 + 50 * Math.floor(i / 9) + 12 + 4 * (i % 9), value, true));
  return bytes;
}

describe('an STL file', () => {
  const box = boxMesh([0, 600], [0, 400], [0, 250]); // mm
  for (const [name, bytes] of [
    ['ASCII', new TextEncoder().encode(asciiStl(box))],
    ['binary', binaryStl(box)],
  ] as const)
    it(`is read as ${name}, scaled, and encloses 60 L`, () => {
      const read = readStl(bytes, 1e-3);
      expect(read.ok && meshVolume(meshOf(read.value), fuelPlane(1, 0, 0))).to.be.closeTo(0.06, 1e-9);
    });
  it('is refused when it is cut short, holds no number, or is something else', () => {
    const code = (bytes: Uint8Array) => {
      const read = readStl(bytes, 1e-3);
      return read.ok ? 'read' : read.fault.code;
    };
    expect(code(binaryStl(box).slice(0, 300))).to.equal('cutShort');
    expect(code(new TextEncoder().encode('solid x\nfacet normal 0 0 0\nvertex 1 2 three\n'))).to.equal('badNumber');
    expect(code(new TextEncoder().encode('%PDF-1.7 ...'))).to.equal('notStl');
    expect(code(new Uint8Array(0))).to.equal('notStl');
  });
});

describe('a strapping table', () => {
  const rows = [0, 50, 100, 200, 250].map((mm) => ({ level: mm / 1000, volume: 0.24 * (mm / 1000) }));
  it('passes through its rows, whatever their order, and inverts itself', () => {
    const table = strappingTable([...rows].reverse());
    if (!table.ok) throw new Error(table.fault.code);
    expect(volumeAtLevel(table.value, 0.1)).to.be.closeTo(0.024, 1e-12);
    expect(levelAtVolume(table.value, volumeAtLevel(table.value, 0.137))).to.be.closeTo(0.137, 2e-6);
    expect(volumeAtLevel(table.value, 9)).to.be.closeTo(0.06, 1e-12);
  });
  it('refuses a volume that falls, and names the row', () => {
    expect(strappingTable([...rows, { level: 0.3, volume: 0.01 }])).to.deep.include({ ok: false });
    const refused = strappingTable([...rows, { level: 0.3, volume: 0.01 }]);
    expect(!refused.ok && refused.fault).to.include({ code: 'volumeFalls', row: 5 });
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import Module, { type ManifoldToplevel } from 'manifold-3d';
import { roundedRectangleArea } from '../../test/rounded-rectangle-area.ts';
import { attachMesh } from '../attachments/tank-mesh.ts';
import { measured } from '../fields/measured.ts';
import type { SurveyedTank } from '../job/tank.ts';
import { closedMesh, joinMeshes, meshVolume, meshVolumes, type Mesh } from '../meshes/mesh.ts';
import { fuelPlane, levelPlane } from '../meshes/fuel-plane.ts';
import { fuelBody } from './fuel-body.ts';
import { packMesh, unpackMesh } from '../meshes/packed-mesh.ts';
import { sectionCut } from './section-cut.ts';
import { roundedRectangle, signedArea, tracedSection } from './section-polygon.ts';
import { solidMesh, solidVolume, type Solid } from './solid.ts';
import { surveyedTank, type Tank } from './surveyed-tank.ts';

const mm = (value: number) => measured(value / 1000, 'mm');
const corner = (across: number, up: number) => ({ across: mm(across), up: mm(up) });
const known = (tank: SurveyedTank): Tank => {
  const outcome = surveyedTank(tank);
  if (outcome.kind !== 'known') throw new Error(JSON.stringify(outcome));
  return outcome.tank;
};
const below = (tank: Tank, level: number, pitch = 0, roll = 0) =>
  tank.solids!.reduce((sum, s) => sum + solidVolume(s, fuelPlane(level, pitch, roll)), 0);

const tanks: Record<string, SurveyedTank> = {
  box: { shape: 'box', depth: mm(250), length: mm(600), width: mm(400), cornerRadius: mm(60) },
  cylinder: { shape: 'cylinder', depth: mm(300), length: mm(900) },
  dished: { shape: 'cylinder', depth: mm(300), length: mm(600), ends: 'dished', dish: mm(50) },
  prism: {
    shape: 'prism',
    length: mm(500),
    section: [corner(0, 0), corner(300, 0), corner(350, 120), corner(200, 260), corner(-40, 220)],
  },
  loft: {
    shape: 'loft',
    stations: [
      { id: 'a', at: mm(0), width: mm(300), height: mm(150) },
      { id: 'b', at: mm(300), width: mm(400), height: mm(250) },
      { id: 'c', at: mm(650), width: mm(200), height: mm(200), floor: mm(40), radius: mm(30) },
    ],
  },
  saddle: {
    shape: 'saddle',
    depth: mm(320),
    length: mm(450),
    leftWidth: mm(300),
    rightWidth: mm(280),
    bridgeWidth: mm(200),
    bridgeFloor: mm(180),
  },
  stepped: {
    shape: 'stepped',
    depth: mm(250),
    width: mm(400),
    zones: [
      { id: 'a', length: mm(300), floor: mm(0) },
      { id: 'b', length: mm(350), floor: mm(90) },
    ],
    sumpLength: mm(120),
    sumpWidth: mm(100),
    sumpDepth: mm(30),
    sumpForward: mm(150),
    sumpLeft: mm(40),
  },
};

describe('litres of each tank shape', () => {
  it('of a box with rounded corners are those of its section in closed form', () => {
    const tank = known(tanks.box!);
    for (const level of [0.01, 0.06, 0.125, 0.19, 0.24, 0.25])
      expect(below(tank, level)).to.be.closeTo(0.6 * roundedRectangleArea(0.4, 0.25, 0.06, level), 2e-6);
    expect(tank.full).to.be.closeTo(0.6 * roundedRectangleArea(0.4, 0.25, 0.06, 0.25), 1e-12);
  });
  it('of dished ends are those of the ellipsoid: 4/3 π r² e for both, half of it at half height', () => {
    const tank = known(tanks.dished!);
    const exact = Math.PI * 0.15 ** 2 * 0.6 + (4 / 3) * Math.PI * 0.15 ** 2 * 0.05;
    expect(tank.full).to.be.closeTo(exact, 1e-9);
    expect(below(tank, 0.15)).to.be.closeTo(exact / 2, 1e-9);
  });
  it('of a prism are section times length', () => {
    const section = tanks.prism!.section!.map((p) => [p.across.si, p.up.si] as const);
    expect(known(tanks.prism!).full).to.be.closeTo(signedArea(section) * 0.5, 1e-12);
  });
  it('of a loft between two rectangles are the prismatoid’s', () => {
    const tank = known({
      shape: 'loft',
      stations: [
        { id: 'a', at: mm(0), width: mm(300), height: mm(150) },
        { id: 'b', at: mm(500), width: mm(400), height: mm(200) },
      ],
    });
    // similar sections: V = h/6 (A1 + 4 Am + A2)
    expect(tank.full).to.be.closeTo((0.5 / 6) * (0.3 * 0.15 + 4 * 0.35 * 0.175 + 0.4 * 0.2), 1e-6);
  });
  it('of a saddle, of steps and of a sump are the sums of their boxes', () => {
    expect(known(tanks.saddle!).full).to.be.closeTo(0.45 * (0.58 * 0.32 + 0.2 * 0.14), 1e-12);
    const stepped = known(tanks.stepped!);
    expect(stepped.full).to.be.closeTo(0.4 * (0.3 * 0.25 + 0.35 * 0.16) + 0.12 * 0.1 * 0.03, 1e-12);
    expect(stepped.bottom).to.equal(-0.03);
  });
  it('lose the foam’s share everywhere', () => {
    const [dry, foamed] = [known(tanks.box!), known({ ...tanks.box!, foam: true })];
    expect(foamed.full / dry.full).to.be.closeTo(0.97, 1e-12);
    expect(foamed.table.rows[40]!.volume / dry.table.rows[40]!.volume).to.be.closeTo(0.97, 1e-12);
  });

  for (const [name, survey] of Object.entries(tanks)) {
    const tank = known(survey);
    const angle = fc.double({ min: -0.45, max: 0.45, noNaN: true });
    const level = fc.double({ min: -0.05, max: 0.4, noNaN: true });
    it(`of ${name}: never fall as the level rises, at any tilt; level equals tilt by zero; the table agrees`, () => {
      fc.assert(
        fc.property(level, angle, angle, (height, pitch, roll) => {
          expect(below(tank, height + 0.003, pitch, roll)).to.be.at.least(below(tank, height, pitch, roll) - 1e-12);
          expect(below(tank, height, 0, 0)).to.be.closeTo(below(tank, height, 1e-13, -1e-13), 1e-9);
        }),
        { seed: 71, numRuns: 40 },
      );
      const row = tank.table.rows[37]!;
      expect(row.volume).to.be.closeTo(below(tank, row.level), 1e-12);
    });
    it(`of ${name}: grow with the cube of its size`, () => {
      const scaled = (k: number): SurveyedTank =>
        JSON.parse(JSON.stringify(survey), (key, value: unknown) =>
          key === 'si' ? (value as number) * k : value,
        ) as SurveyedTank;
      expect(known(scaled(1.7)).full).to.be.closeTo(tank.full * 1.7 ** 3, 1e-9);
      expect(below(known(scaled(0.5)), 0.06, 0.1, -0.2)).to.be.closeTo(below(tank, 0.12, 0.1, -0.2) * 0.125, 1e-9);
    });
    it(`of ${name}: its drawn surface is closed, faces outwards and holds the same`, () => {
      for (const solid of tank.solids!) {
        const closed = closedMesh(solidMesh(solid).corners);
        expect(closed.ok && closed.value.turned).to.equal(false);
        const plane = fuelPlane(0.11, 0.15, -0.1);
        expect(meshVolume(solidMesh(solid), plane)).to.be.closeTo(solidVolume(solid, plane), 3e-5);
      }
    });
  }
});

// Oracle: manifold-3d 3.5.4, a general-purpose mesh library from the npm registry, which cuts solids by its own method.
describe('a tilted tank against a mesh library', () => {
  let library: ManifoldToplevel;
  before(async () => {
    library = await Module();
    library.setup();
  });
  const manifoldOf = (mesh: Mesh) => {
    const names = new Map<string, number>();
    const points: number[] = [];
    const faces = Array.from({ length: mesh.corners.length / 3 }, (_, i) => {
      const at = Array.from(mesh.corners.slice(3 * i, 3 * i + 3)).map((v) => Math.fround(v));
      const key = at.join();
      if (!names.has(key)) {
        names.set(key, names.size);
        points.push(...at);
      }
      return names.get(key)!;
    });
    return new library.Manifold(
      new library.Mesh({ numProp: 3, vertProperties: Float32Array.from(points), triVerts: Uint32Array.from(faces) }),
    );
  };
  for (const [name, survey] of Object.entries(tanks))
    it(`${name}: litres below five tilted surfaces agree within 2 in 100 000 of the tank`, () => {
      const tank = known(survey);
      const solids = tank.solids!.map((s) => manifoldOf(solidMesh(s)));
      for (const [height, pitch, roll] of [
        [0.05, 0, 0],
        [0.1, 0.2, 0],
        [0.12, -0.1, 0.3],
        [0.2, 0.05, -0.35],
        [0.15, 0.4, 0.4],
      ] as const) {
        const { slopeX, slopeY } = fuelPlane(height, pitch, roll);
        const normal: [number, number, number] = [slopeX, slopeY, -1]; // the half-space below the surface
        const length = Math.hypot(...normal);
        const cut = solids.reduce(
          (sum, s) =>
            sum + s.trimByPlane(normal.map((v) => v / length) as [number, number, number], -height / length).volume(),
          0,
        );
        const ours = tank.solids!.reduce((sum, s) => sum + meshVolume(solidMesh(s), fuelPlane(height, pitch, roll)), 0);
        expect(ours).to.be.closeTo(cut, 2e-5 * tank.full);
      }
    });
});

describe('a mesh at many levels at once', () => {
  it('equals the same levels one by one, flat and tilted', () => {
    const mesh = joinMeshes(known(tanks.loft!).solids!.map(solidMesh));
    const levels = Array.from({ length: 60 }, (_, i) => -0.02 + i * 0.006);
    for (const plane of [levelPlane(0), fuelPlane(0.01, 0.3, -0.2)])
      meshVolumes(mesh, plane, levels).forEach((volume, i) =>
        expect(volume).to.be.closeTo(meshVolume(mesh, { ...plane, height: plane.height + levels[i]! }), 1e-12),
      );
  });
  it('names where a surface is open and where it is inside out', () => {
    const { corners } = solidMesh(known({ ...tanks.box!, cornerRadius: mm(0) }).solids![0]!);
    const open = closedMesh(corners.slice(9));
    if (open.ok || open.fault.code !== 'notClosed') throw new Error('not refused');
    expect(open.fault.openEdges).to.equal(3);
    expect(open.fault.places[0]![0]).to.be.within(-0.3, 0.3);
    const flipped = corners.slice();
    for (let k = 3; k < 6; k++) [flipped[k], flipped[k + 3]] = [corners[k + 3]!, corners[k]!];
    const mixed = closedMesh(flipped);
    expect(!mixed.ok && mixed.fault).to.include({ code: 'mixedFacing', edges: 3 });
  });
});

describe('a mesh in the job file', () => {
  it('comes back within a grid step of 1/65535 of its size, and damage is seen', () => {
    const mesh = joinMeshes(known(tanks.loft!).solids!.map(solidMesh));
    const packed = packMesh(mesh, 'loft.stl', false);
    const back = unpackMesh(packed)!;
    mesh.corners.forEach((v, i) => expect(back.corners[i]).to.be.closeTo(v, packed.size[i % 3]! / 65_535));
    expect(unpackMesh({ ...packed, faces: packed.faces.slice(0, -4) })).to.equal(undefined);
    expect(unpackMesh({ ...packed, places: '' })).to.equal(undefined);
    const { mesh: named } = attachMesh(packed);
    const tank = known({ shape: 'mesh', mesh: named });
    expect(tank.full).to.be.closeTo(known(tanks.loft!).full, 1e-6);
    const broken = surveyedTank({ shape: 'mesh', mesh: attachMesh({ ...packed, places: 'AAAAAAAA' }).mesh });
    expect(broken).to.deep.equal({ kind: 'fault', fault: { code: 'mesh', fault: { code: 'damaged' } } });
  });
});

describe('a traced section', () => {
  it('that crosses itself is refused with both sides and the place', () => {
    const fault = tracedSection([
      [0, 0],
      [0.2, 0.2],
      [0.2, 0],
      [0, 0.2],
    ]);
    if (fault.ok || fault.fault.code !== 'crosses') throw new Error('not refused');
    expect(fault.fault.sides).to.deep.equal([0, 2]);
    expect(fault.fault.at[0]).to.be.closeTo(0.1, 1e-12);
    expect(
      surveyedTank({ ...tanks.prism!, section: [corner(0, 0), corner(200, 200), corner(200, 0), corner(0, 200)] }).kind,
    ).to.equal('fault');
  });
  it('may be traced either way round and closed by hand; fewer than three corners or no area are refused', () => {
    const square = [
      [0, 0],
      [0.1, 0],
      [0.1, 0.1],
      [0, 0.1],
    ] as const;
    for (const points of [square, [...square].reverse(), [...square, square[0]]]) {
      const traced = tracedSection(points);
      expect(traced.ok && signedArea(traced.value)).to.be.closeTo(0.01, 1e-15);
    }
    const code = (points: readonly (readonly [number, number])[]) => {
      const traced = tracedSection(points);
      return traced.ok ? 'ok' : traced.fault.code;
    };
    expect(
      code([
        [0, 0],
        [1, 1],
      ]),
    ).to.equal('tooFewPoints');
    expect(
      code([
        [0, 0],
        [0.1, 0],
        [0.2, 0],
      ]),
    ).to.equal('noArea');
    expect(
      code([
        [0, 0],
        [NaN, 0],
        [0.2, 1],
      ]),
    ).to.equal('notANumber');
  });
  it('of rounded corners has the rounded area exactly', () => {
    expect(signedArea(roundedRectangle(0.4, 0.25, 0.06))).to.be.closeTo(0.1 - (4 - Math.PI) * 0.06 ** 2, 1e-14);
  });
});

describe('a tank cut for drawing', () => {
  const solids = known(tanks.saddle!).solids!;
  it('shows each lobe as one closed outline of its own area, wherever the cut falls', () => {
    for (const place of [0, 0.1, -0.224999]) {
      const loops = solids.flatMap((s) => sectionCut(solidMesh(s), 0, place));
      expect(loops).to.have.length(3);
      const areas = loops.map((loop) => Math.abs(signedArea(loop)));
      expect(areas[0]).to.be.closeTo(0.3 * 0.32, 1e-12);
      expect(areas[2]).to.be.closeTo(0.2 * 0.14, 1e-12);
    }
    const left = solids[0] as Extract<Solid, { kind: 'box' }>;
    expect(sectionCut(solidMesh(left), 1, (left.y[0] + left.y[1]) / 2)).to.have.length(1); // a cut through its middle
  });
  it('has fuel walls and surface that enclose the litres below it', () => {
    for (const name of ['box', 'loft', 'dished'] as const) {
      const mesh = solidMesh(known(tanks[name]!).solids![0]!);
      const plane = fuelPlane(0.1, 0.2, -0.15);
      const { walls, surface } = fuelBody(mesh, plane);
      let six = 0;
      for (const part of [walls])
        for (let t = 0; t < part.length; t += 9) {
          const [ax, ay, az, bx, by, bz, cx, cy, cz] = Array.from(part.slice(t, t + 9)) as [
            number,
            number,
            number,
            number,
            number,
            number,
            number,
            number,
            number,
          ];
          // seen from a point of the surface, the surface itself spans nothing
          six +=
            ax * (by * (cz - plane.height) - (bz - plane.height) * cy) +
            ay * ((bz - plane.height) * cx - bx * (cz - plane.height)) +
            (az - plane.height) * (bx * cy - by * cx);
        }
      expect(six / 6).to.be.closeTo(meshVolume(mesh, plane), 1e-9);
      expect(surface.length % 9).to.equal(0);
      for (let i = 0; i < surface.length; i += 3)
        expect(surface[i + 2]).to.be.closeTo(
          plane.height + plane.slopeX * surface[i]! + plane.slopeY * surface[i + 1]!,
          1e-9,
        );
    }
  });
});

import { proofsOf } from './proofs.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { simpleWiring } from '../../test/simple-wiring.ts';
import { demoJobs } from '../demo/index.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { conductor } from '../units/wire-gauge.ts';
import { crimpsOf } from './crimps.ts';
import { drawingSvg } from '../drawings/drawing-svg.ts';
import { diagramDrawing, diagramGraph, diagramOf, type LaidGraph } from './diagram.ts';
import type { Harness, Wire } from '../harness/harness.ts';
import { devicesOf, wiresOf } from '../harness/in-circuit.ts';
import { HarnessBuild } from '../harness-templates/harness-build.ts';
import { endChoices, endKey, endOfKey, connectorFaces, rollPlans, wireCells, wireRows } from './wire-list.ts';

const metres = (si: number) => ({ si, unit: 'm' });
const square = (si: number) => ({ si: Number((si * 1e-6).toPrecision(9)), unit: 'mm²' });

describe('crimps', () => {
  const two = (pins: number, given: Partial<Wire> = {}): Harness => {
    const build = new HarnessBuild();
    const [a, b, c] = [build.device('fuse'), build.device('connector', { pins }), build.device('pumpLoad')];
    build.wire(`${a}:out`, `${b}:in`, { area: square(2), finishEnd: 'crimp', ...given });
    build.wire(`${a}:out`, `${b}:in`, { area: square(2), finishEnd: 'crimp', ...given });
    build.wire(`${b}:out`, `${c}:plus`, { area: square(2) });
    return build.harness;
  };
  const at = (harness: Harness) => crimpsOf(harness).find((c) => c.wire === 'wire-1' && c.end === 'finish')!;
  it('two conductors share a barrel on one pin, and have one each on two', () => {
    expect(at(two(1))).to.deep.include({ inBarrel: 2, copper: 4e-6, wants: 'b40' });
    expect(at(two(2))).to.deep.include({ inBarrel: 1, copper: 2e-6, wants: 'b25' });
  });
  it('fits, is loose or is crowded, just at its ends', () => {
    const fit = (area: number) => at(two(2, { area: square(area), finishBarrel: 'b25' })).fit;
    expect([0.99, 1, 2.5, 2.51].map(fit)).to.deep.equal(['loose', 'fits', 'fits', 'crowded']);
  });
  it('rings stack, each with a barrel of its own', () => {
    const build = new HarnessBuild();
    const [battery, a, b] = [build.device('battery'), build.device('fuse'), build.device('fuse')];
    for (const to of [a, b]) build.wire(`${battery}:plus`, `${to}:in`, { area: square(5), startEnd: 'ring' });
    expect(crimpsOf(build.harness).find((c) => c.end === 'start')).to.deep.include({ inBarrel: 1, copper: 5e-6 });
  });
  it('a seal closes on one wire, by what is measured or thin-wall wire of that conductor', () => {
    // ISO 6722-1 thin wall, from memory: 2.5 mm² is 3.0 mm outside
    const seal = (given: Partial<Wire>) => at(two(2, { area: square(2.5), finishSeal: 's30', ...given }));
    expect(seal({})).to.deep.include({ sealFit: 'fits', wantsSeal: 's30', sharesSeal: false });
    expect(seal({ outside: { si: 0.0032, unit: 'mm' } }).sealFit).to.equal('crowded');
    expect(at(two(1, { finishSeal: 's30' })).sharesSeal).to.equal(true);
  });
  it('tells of terminals that are pulled in from the front', () => {
    const harness = two(2);
    const pull = {
      ...harness,
      devices: harness.devices!.map((d) => (d.kind === 'connector' ? { ...d, seats: 'pull' as const } : d)),
    };
    expect(at(pull).pullsIn).to.equal('connector-1');
    expect(at(harness).pullsIn).to.equal(undefined);
  });
});

describe('lists of wires', () => {
  it('say where each goes, by DIN numbers, and its colour by the shop’s scheme unless it has its own', () => {
    const harness = { ...demoJobs.mailVan.wiring!, scheme: { pump: 'violet', prefix: 'P' } };
    const rows = wireRows(harness);
    const supply = rows.find((r) => r.from === 'Hanger pump relay, 87')!;
    expect(supply).to.include({ to: 'Hanger pump, feed pin', colour: 'violet', marking: 'P11', stands: 'new' });
    expect(wireRows({ ...harness, wires: harness.wires!.map((w) => ({ ...w, colour: 'pink' })) })[10]!.colour).to.equal(
      'pink',
    );
    expect(rows.filter((r) => r.stands === 'kept')).to.have.length(2);
  });
  it('are laid anew from a list of ends, each with a name of its own that leads back to it', () => {
    for (const { wiring } of Object.values(demoJobs)) {
      const choices = endChoices(wiring ?? {});
      expect(new Set(Object.values(choices)).size).to.equal(Object.keys(choices).length);
      for (const wire of wiring?.wires ?? [])
        for (const end of [wire.from, wire.to]) if (end) expect(endOfKey(endKey(end))).to.deep.equal(end);
    }
    const said = Object.values(endChoices(demoJobs.mailVan.wiring!));
    // a relay by what is stamped on it, a post by its word, what has one place to be joined on by its name alone
    expect(said).to.include.members(['Hanger pump relay, 87', 'Battery, negative post (31)', 'Earth of Hanger pump']);
    expect(endOfKey('nothing')).to.equal(undefined);
  });
  it('as cells: a heading, and a row for each wire with mm² and mm', () => {
    const cells = wireCells(demoJobs.mailVan.wiring!);
    expect(cells).to.have.length(demoJobs.mailVan.wiring!.wires!.length + 1);
    expect(new Set(cells.map((row) => row.length)).size).to.equal(1);
    // ASTM B258: 12 AWG is 3.309 mm2
    expect(cells[11]).to.include.members(['11', '3.309', '2600', 'orange']);
  });
  it('show connectors by their shell, with every wire at it', () => {
    const build = new HarnessBuild();
    const [a, b, c] = [
      build.device('connector', { face: 'C1', cavities: '1' }),
      build.device('connector', { face: 'C1', cavities: '2, 3', pins: 2 }),
      build.device('pumpLoad'),
    ];
    build.wire(`${a}:out`, `${c}:plus`, { use: 'pump' });
    build.wire(`${c}:minus`, `${b}:in`, { use: 'earth' });
    expect(connectorFaces(build.harness)).to.deep.equal([
      {
        name: 'C1',
        ways: [
          { device: a, cavities: '1', pins: 1, wires: ['1 orange'] },
          { device: b, cavities: '2, 3', pins: 2, wires: ['2 black'] },
        ],
      },
    ]);
    // a wire that is taken out, or ends nowhere, is in no cavity; a face of blanks is the connector's own name
    const wires = build.harness.wires!.map((w, i) =>
      i === 0 ? { ...w, stands: 'out' as const } : { ...w, to: undefined },
    );
    const devices = build.harness.devices!.map((d) => ('face' in d ? { ...d, face: ' ', cavities: ' 4 ' } : d));
    const faces = connectorFaces({ ...build.harness, devices, wires: wires });
    expect(faces.flatMap((f) => f.ways.map((w) => [w.cavities, w.wires.length]))).to.deep.include(['4', 0]);
    expect(faces.map((f) => f.name)).to.not.include(' ');
  });
});

describe('cuts off rolls', () => {
  const cut = (lengths: readonly number[], rolls: readonly number[]) => {
    const build = new HarnessBuild();
    const [a, b] = [build.device('fuse'), build.device('relay')];
    for (const l of lengths)
      build.wire(`${a}:out`, `${b}:30`, { area: conductor(12), length: metres(l), colour: 'Red' });
    return rollPlans({
      ...build.harness,
      rolls: rolls.map((l, i) => ({ id: `roll-${i}`, colour: 'red', area: square(3.3), length: metres(l) })),
    });
  };
  it('take as much off the shop’s rolls as any cutting could: tried against all', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 6 }),
        fc.array(fc.integer({ min: 1, max: 80 }), { minLength: 1, maxLength: 3 }),
        (pieces, rolls) => {
          const [plan] = cut(
            pieces.map((p) => p / 10),
            rolls.map((r) => r / 10),
          );
          let most = 0;
          for (let code = 0; code < (rolls.length + 1) ** pieces.length; code++) {
            const left = [...rolls];
            let [rest, sum] = [code, 0];
            for (const piece of pieces) {
              const at = rest % (rolls.length + 1);
              rest = Math.floor(rest / (rolls.length + 1));
              if (at === rolls.length) continue;
              left[at]! -= piece;
              sum += piece;
            }
            if (left.every((l) => l >= 0)) most = Math.max(most, sum);
          }
          const off = plan!.rolls.flatMap((r) => r.pieces).reduce((sum, p) => sum + p.length, 0);
          expect(off).to.be.closeTo(most / 10, 1e-9);
          expect(off + plan!.buy).to.be.closeTo(pieces.reduce((a, b) => a + b, 0) / 10, 1e-9);
          for (const r of plan!.rolls) expect(r.left).to.be.at.least(-1e-9);
        },
      ),
      { seed: 6, numRuns: 60 },
    );
  });
  it('cut a doubled wire twice, and nothing of what is kept', () => {
    const build = new HarnessBuild();
    const [a, b] = [build.device('fuse'), build.device('relay')];
    build.wire(`${a}:out`, `${b}:30`, { area: conductor(12), length: metres(2), conductors: 2, use: 'live' });
    build.wire(`${a}:out`, `${b}:30`, { area: conductor(12), length: metres(9), stands: 'kept', use: 'live' });
    const [plan] = rollPlans(build.harness);
    expect(plan).to.deep.include({ colour: 'red', buy: 4 });
    expect(plan!.bought).to.have.length(2);
  });
});

describe('the diagram', () => {
  it('gives every wire of the circuit an edge between ports that are there, and every device a box', () => {
    for (const job of Object.values(demoJobs)) {
      if (!job.wiring) continue;
      const graph = diagramGraph(job.wiring);
      const ports = new Set(graph.children.flatMap((c) => c.ports.map((p) => p.id)));
      expect(graph.edges).to.have.length(wiresOf(job.wiring).length);
      expect(graph.children).to.have.length(devicesOf(job.wiring).length);
      for (const e of graph.edges)
        for (const end of [...e.sources, ...e.targets]) expect(ports.has(end), end).to.equal(true);
      for (const c of graph.children)
        for (const p of c.ports) expect(p.x >= 0 && p.x <= c.width && p.y >= 0 && p.y <= c.height, p.id).to.equal(true);
    }
  });
  it('is a whole SVG, with names that cannot break it', () => {
    const harness = simpleWiring({ fuse: 15 });
    const devices = harness.devices!.map((d) => (d.kind === 'fuse' ? { ...d, label: '<b>"&' } : d));
    const graph = diagramGraph({ ...harness, devices });
    const laid: LaidGraph = {
      width: 100,
      height: 50,
      children: graph.children.map((c) => ({ ...c, x: 1, y: 2 })),
      edges: graph.edges.map((e) => ({
        id: e.id,
        sections: [{ startPoint: { x: 0, y: 0 }, endPoint: { x: 60, y: 0 } }],
      })),
    };
    const svg = drawingSvg(diagramDrawing(diagramOf({ ...harness, devices }, laid), 'A & B'));
    expect(svg).to.include('&lt;b&gt;&quot;&amp;').and.include('<title>A &amp; B</title>');
    expect(svg).to.include('15 A').and.include('>30<').and.include('>87<').and.include('>85<').and.include('>31<');
    expect(svg.match(/<g /g)).to.have.length(graph.children.length + graph.edges.length);
  });
});

describe('proofs', () => {
  it('bridge 30 and 87, with current and volts as planned and a limit for every leg', () => {
    const { wiring } = findingsOf(demoJobs.mailVan);
    const by = new Map(proofsOf(demoJobs.mailVan, wiring!.pumps).map((p) => [p.key, p]));
    const at = wiring!.pumps[0]!.at.keyOn!;
    const current = by.get('bridge-pump-1')!;
    expect(current.how).to.match(/30 and 87/);
    expect(current.expect!.si).to.equal(at.amps);
    expect(current.least!.si / at.amps).to.be.closeTo(0.85, 1e-9);
    expect(by.get('volts-pump-1')!.expect!.si).to.equal(at.volts);
    const legs = at.legs.filter((l) => l.isWire && l.volts > 0.001);
    for (const leg of legs)
      expect(by.get(`leg-pump-1-${leg.id}`)!.most!.si).to.be.closeTo(1.25 * leg.volts + 0.02, 1e-9);
    expect([...by.keys()].filter((k) => k.startsWith('insulation-'))).to.have.length(2);
    expect(by.get('insulation-connector-1')!.least!.si).to.equal(1e6);
    expect([...by.keys()]).to.include.members(['prime', 'stall', 'inertia-inertia-switch-1']);
    // two seconds of prime and one for the ear
    expect(by.get('prime')!.most!.si).to.equal(3);
  });
  it('where no control unit stands, ask for no time of a prime, and for no switch that is not there', () => {
    const { wiring, parts } = demoJobs.mailVan;
    const bare = {
      ...wiring!,
      devices: wiring!.devices!.filter((d) => d.kind !== 'controlUnit' && d.kind !== 'inertiaSwitch'),
    };
    const pumps = findingsOf(demoJobs.mailVan).wiring!.pumps;
    const by = new Map(proofsOf({ wiring: bare, parts }, pumps).map((p) => [p.key, p]));
    expect(by.get('prime')).to.not.have.property('most');
    expect(by.get('prime')!.how).to.match(/must not start at all/);
    expect([...by.keys()].filter((k) => k.startsWith('inertia'))).to.deep.equal([]);
    expect(proofsOf({ wiring: bare, parts }, []).filter((p) => p.group === 'cutOff')).to.deep.equal([]);
  });
});

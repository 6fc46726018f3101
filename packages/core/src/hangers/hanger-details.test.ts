import { drawingSvg } from '../drawings/drawing-svg.ts';
import { expect } from 'chai';
import { changed, cleanJob, expectSnag, get, snagsOfRule } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import { cutRows } from '../cards/cuts/cut-rows.ts';
import { sayIn } from '../units/unit-system.ts';
import type { Hanger } from '../job/hanger.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { e24Near } from '../senders/e-series.ts';
import { volumeAtLevel } from '../tanks/strapping-table.ts';
import { hangerStand } from './stack-height.ts';
import { hangerTubes } from './hanger-tubes.ts';
import { oringGroove } from './oring-groove.ts';
import { templateDrawing, type Template } from './plate-template.ts';
import { ringPlate } from './ring-plate.ts';
import { sockAdapter } from './sock-adapter.ts';
import { templateOf } from './template-of.ts';

const svgOf = (template: Template): string => drawingSvg(templateDrawing(template));

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const withHanger = (change: Partial<Hanger>, more: (j: Job) => void = () => undefined): Job =>
  cleanJob((j) => {
    j.hanger = { ...j.hanger, ...change };
    more(j);
  });

describe('a hanger in a sump', () => {
  const rigid: Hanger = { hold: 'rigid', floorGap: mm(2) };
  // depth 236, sump 40 below: worked by hand
  it('reaches to the sump’s own floor, and stands gaps from either', () => {
    const over = hangerStand(rigid, 0.236, 0.04);
    const inside = hangerStand({ ...rigid, intoSump: true }, 0.236, 0.04);
    expect(inside.wanted - over.wanted).to.be.closeTo(0.04, 1e-12);
    expect(inside.gap).to.be.closeTo(0.002, 1e-12);
    expect(inside.overTankFloor).to.be.closeTo(-0.038, 1e-12);
    expect([inside.floor, over.floor]).to.deep.equal([-0.04, 0]);
    expect(inside.pickup).to.be.closeTo(-0.038, 1e-12);
  });
  it('is shorter by what its plate is let in', () => {
    const flush = hangerStand({ ...rigid, plateRecess: mm(12) }, 0.236);
    expect(hangerStand(rigid, 0.236).wanted - flush.wanted).to.be.closeTo(0.012, 1e-12);
    expect(flush.plateSeated).to.be.closeTo(0.236 - 0.012, 1e-12);
  });
  it('leaves less in the tank, and has its return end over the sump’s floor', () => {
    const sump = (intoSump: boolean) =>
      withHanger({ intoSump, stack: undefined }, (j) => {
        Object.assign(j.survey.tank, {
          sumpLength: mm(200),
          sumpWidth: mm(200),
          sumpDepth: mm(40),
          sumpForward: j.hanger!.openingForward ?? mm(0),
          sumpLeft: j.hanger!.openingLeft ?? mm(0),
        });
        get(j, 'returnDrop').endHeight = mm(200);
      });
    const left = (job: Job) => findingsOf(job).hanger.pickup!.left;
    expect(left(sump(true))).to.be.lessThan(left(sump(false)) - 1e-3);
    const end = snagsOfRule(sump(true), 'return-end')[0]!;
    expect((end.act as { value: { si: number } }).value.si).to.be.closeTo(0.019 - 0.04, 1e-9);
  });
  it('that hangs beside it, or in one that is not measured, is a snag', () => {
    const at = (left: number) =>
      withHanger({ intoSump: true, stack: undefined }, (j) =>
        Object.assign(j.survey.tank, {
          sumpLength: mm(200),
          sumpWidth: mm(200),
          sumpDepth: mm(40),
          sumpLeft: mm(left),
          sumpForward: j.hanger!.openingForward ?? mm(0),
        }),
      );
    expectSnag('hanger-misses-sump', at(99), at(101), 'stop');
    expectSnag('hanger-misses-sump', withHanger({}), withHanger({ intoSump: true }), 'fix');
  });
});

describe('tubes of a hanger', () => {
  it('are cut from plate to end, less what their bends save', () => {
    const stand = hangerStand({ hold: 'rigid' }, 0.236);
    const cut = (tube: object) => hangerTubes({ tubes: [{ id: 't', ...tube }] }, stand)[0]!;
    // straight: plate 0.236 (no gasket) and 30 above, ending 19 over the floor
    const straight = cut({ label: 'return', od: mm(8), wall: mm(1), rise: mm(30), end: mm(19) });
    expect(straight.cut).to.be.closeTo(0.236 + 0.03 - 0.019, 1e-12);
    expect(straight.bore).to.be.closeTo(0.006, 1e-12);
    // an elbow of radius R is shorter than its two legs by (2 − π/2) R
    const bent = cut({ od: mm(8), wall: mm(1), end: mm(19), offset: mm(50), bends: 2, bendRadius: mm(25) });
    expect(bent.cut).to.be.closeTo(0.236 - 0.019 + 0.05 - 2 * (2 - Math.PI / 2) * 0.025, 1e-12);
    expect(cut({ od: mm(8), end: mm(19), bends: 1 }).bendRadius).to.be.closeTo(0.024, 1e-12);
    expect(cut({ label: 'no end' }).cut).to.equal(undefined);
    expect(hangerTubes({ tubes: [{ id: 't', end: mm(19) }] }, undefined)[0]!.cut).to.equal(undefined);
  });
  it('stand on the cuts card with their stock', () => {
    const job = withHanger({
      tubes: [{ id: 't', label: 'pickup', od: mm(8), wall: mm(1), material: 'stainless304', end: mm(5), bends: 1 }],
    });
    const row = cutRows(job, sayIn('metric')).find((r) => r.part === 'Hanger: pickup')!;
    expect(row.stock).to.include('8 mm outside').and.to.include('wall 1 mm');
    expect(row.length).to.match(/^\d+/);
    expect(row.note).to.include('1 × 90° at 24 mm');
  });
});

describe('the plate', () => {
  const ring: Hanger = { boltCircle: mm(128), plateHole: mm(104), plateOutside: mm(148), studs: 6, studSize: mm(5) };
  // ISO 3601-2 static face seal, from memory: 20 to 30 % squeeze, 75 to 85 % fill; 3.53 mm cord about 2.65 deep, 4.6 wide.
  it('takes an O-ring in a groove of its cord, amid the metal between hole and studs', () => {
    const groove = oringGroove({ ...ring, oRingCord: mm(3.53) }, ringPlate(ring))!;
    expect(groove.depth).to.be.closeTo(2.65e-3, 0.02e-3);
    expect(groove.width).to.be.closeTo(4.62e-3, 0.05e-3);
    expect(1 - groove.depth / groove.cord).to.be.within(0.2, 0.3);
    expect(((Math.PI / 4) * groove.cord ** 2) / (groove.depth * groove.width)).to.be.within(0.75, 0.85);
    expect((groove.inside + groove.outside) / 2).to.be.closeTo(0.104 + (0.128 - 0.104 - 0.0055) / 2, 1e-9);
    expect(oringGroove(ring, ringPlate(ring))).to.equal(undefined);
    const drawn = svgOf(templateOf({ ...ring, oRingCord: mm(3.53) }, 'ring', 'Plate')!);
    expect(drawn).to.include('O-ring groove');
  });
  it('as a moulded lid has a flat, no bolt circle and no studs', () => {
    const lid = ringPlate({
      lid: 'moulded',
      lidFlat: mm(110),
      lidThickness: mm(4),
      ports: [{ id: 'p', label: 'feed', hexagon: mm(20), hole: mm(14) }],
    })!;
    expect(lid.thickness).to.equal(0.004);
    expect([lid.boltCircle, lid.land, lid.rim]).to.deep.equal([undefined, undefined, undefined]);
    expect(lid.studs).to.deep.equal([]);
    expect(lid.room).to.be.closeTo(0.108, 1e-12);
    expect(ringPlate({ lid: 'moulded' })).to.equal(undefined);
    const crowded = (flat: number) =>
      withHanger({
        lid: 'moulded',
        lidFlat: mm(flat),
        ports: [1, 2, 3].map((n) => ({ id: `p${n}`, label: `port ${n}`, hexagon: mm(20) })),
      });
    const { needed } = findingsOf(crowded(200)).hanger.plate!;
    const snag = expectSnag('plate-crowded', crowded(needed * 1000 + 2.1), crowded(needed * 1000 + 1.9), 'fix');
    expect(snag.limit!.label).to.equal('flat of the lid');
  });
  it('draws its insulated studs as such, and wants room for their sleeves', () => {
    const stud = (hole: number) =>
      withHanger({ ports: [{ id: 's', label: 'plus', is: 'stud', stud: mm(5), hexagon: mm(8), hole: mm(hole) }] });
    expectSnag('stud-not-insulated', stud(6.6), stud(6.4), 'stop');
    const drawn = svgOf(templateOf(stud(7).hanger!, 'cover', 'Plate')!);
    expect(drawn).to.include('plus: insulated stud');
  });
});

describe('a collar for a sock', () => {
  it('slides on the tube and is as wide as the neck; its groove leaves metal', () => {
    const collar = sockAdapter({ adapterTube: mm(8), adapterNeck: mm(12) })!;
    expect(collar.bore).to.be.closeTo(8.1e-3, 1e-9);
    expect(collar.wall).to.be.closeTo((12 - 8.1) / 2 / 1000 - 0.8e-3, 1e-9);
    const template = templateOf({ adapterTube: mm(8), adapterNeck: mm(12) }, 'adapter', 'Collar')!;
    const reach = Math.max(
      ...template.shapes.flatMap((s) => (s.kind === 'line' && s.layer === 'cut' ? [s.from[0], s.to[0]] : [])),
    );
    expect(reach, 'at true size').to.be.closeTo(6, 1e-9);
    expect(templateOf({ adapterTube: mm(8) }, 'adapter', 'Collar')).to.equal(undefined);
  });
});

describe('a mat', () => {
  it('draws from whatever corner is wet: the same on level ground, less left on a slope', () => {
    const of = (change: Partial<Hanger>) => findingsOf(withHanger({ pickupKind: 'mat', ...change })).hanger.pickup!;
    const sock = findingsOf(withHanger({})).hanger.pickup!;
    expect(of({ matLength: mm(200), matWidth: mm(100) }).left).to.be.closeTo(sock.left, 1e-9);
    expect(of({}).left).to.equal(sock.left);
  });
  it('in much ethanol is asked about', () => {
    const blend = (share: number) => withHanger({ pickupKind: 'mat' }, (j) => (j.brief.ethanol!.si = share));
    expectSnag('mat-with-ethanol', blend(0.1), blend(0.11), 'fix');
    expect(
      snagsOfRule(
        changed(blend(0.85), (j) => (j.hanger!.pickupKind = 'sock')),
        'mat-with-ethanol',
      ),
    ).to.deep.equal([]);
  });
});

describe('the float’s stops', () => {
  it('computed from arm, pivot and angles serve the match as measured heights do', () => {
    const job = (change: (g: NonNullable<Job['gauge']>) => void) => changed(demoJobs.mailVan, (j) => change(j.gauge!));
    const measured = findingsOf(job(() => undefined)).gauge;
    if (measured.kind !== 'computed') throw new Error(measured.kind);
    const { low, high } = measured.findings.sweep;
    const pivot = (low + high) / 2;
    const computed = findingsOf(
      job((g) => {
        delete g.floatLow;
        delete g.floatHigh;
        const angle = Math.asin((high - pivot) / 0.25);
        Object.assign(g, {
          armLength: mm(250),
          pivotHeight: { si: pivot, unit: 'mm' },
          stopDown: { si: angle, unit: '°' },
          stopUp: { si: angle, unit: '°' },
        });
      }),
    ).gauge;
    if (computed.kind !== 'computed') throw new Error(computed.kind);
    expect(computed.findings.sweep.low).to.be.closeTo(low, 1e-9);
    expect(computed.findings.sweep.high).to.be.closeTo(high, 1e-9);
  });
  it('litres at E are all that lies below the bottom stop, the dead band with them', () => {
    const job = changed(demoJobs.mailVan, (j) => {
      const g = j.gauge!;
      Object.assign(g, {
        kind: 'ohms',
        gaugeEmpty: g.senderEmpty,
        gaugeFull: g.senderFull,
        floatLow: mm(37),
        floatHigh: mm(181),
      });
      for (const key of ['sweep', 'sweepDown', 'combine', 'armLength'] as const) delete g[key];
    });
    const found = findingsOf(job).gauge;
    if (found.kind !== 'computed') throw new Error(found.kind);
    const { marks, deadBands, table, match } = found.findings;
    expect(match!.kind).to.equal('direct');
    expect(marks[0]!.direct).to.be.closeTo(volumeAtLevel(table, 0.037), 1e-9);
    expect(marks[0]!.direct).to.be.closeTo(deadBands.below, 1e-9);
    expect(marks.at(-1)!.direct).to.be.closeTo(volumeAtLevel(table, 0.181), 1e-9);
  });
  it('no resistor under an ohm is proposed: a wire does', () => {
    expect(e24Near(0.7, 5)).to.deep.equal([0]);
    for (const ohm of [1, 1.2, 1.9, 5]) for (const v of e24Near(ohm, 5)) expect(v, String(ohm)).to.be.at.least(1);
  });
});

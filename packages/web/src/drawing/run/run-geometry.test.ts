import { expect } from 'chai';
import fc from 'fast-check';
import { edited, anyDice } from '../../../../core/test/any-edit.ts';
import { oddRuns } from '../../../../core/test/odd-runs.ts';
import { railsJob, twoPumpJob, addPumpBeside, returnIntoSupply } from '../../../../core/test/rule-cases.ts';
import { demoJobs } from '@endrel/core/demo/index';
import { applyAct } from '@endrel/core/acts/apply-act';
import type { Job } from '@endrel/core/job/job';
import { layouts, type LayoutKey } from '@endrel/core/job/layout';
import { circuitsOf } from '@endrel/core/run/circuits';
import { boxOf, meet, nameBox, numberPlaces, obstacles, placeLabels, placesAround } from './labels.ts';
import type { Place, RunGeometry, Slot } from './run-drawing.ts';
import { runGeometry } from './run-geometry.ts';
import { nextOnRun } from './walk.ts';
import { casesOf, seedOf, PATIENCE } from '../../../../core/test/search.ts';

const WIDTHS = [360, 940, 1250];
/** Half the room that a symbol takes: each part is hit at its middle, whatever stands beside it. */
const [ACROSS, UP] = [22, 20];

function expectDrawable(job: Job): void {
  for (const available of WIDTHS) {
    const drawn = runGeometry(job, available);
    const run = circuitsOf(job);
    const tank = run.tank;
    expect(drawn.slots.map((s) => s.part.id).sort()).to.deep.equal(run.order.filter((id) => id !== tank?.id).sort());
    for (const [i, a] of drawn.slots.entries()) {
      expect(a.x, a.part.id).to.be.within(0, drawn.width);
      expect(a.y, a.part.id).to.be.within(0, drawn.height);
      for (const b of drawn.slots.slice(i + 1))
        if (Math.abs(a.x - b.x) < 2 * ACROSS && Math.abs(a.y - b.y) < 2 * UP)
          throw new Error(`${a.part.id} at ${a.x},${a.y} covers ${b.part.id} at ${b.x},${b.y} (${available} px)`);
    }
    for (const wire of drawn.wires)
      for (const [x, y] of wire.path) expect(Number.isFinite(x + y), wire.joint).to.equal(true);
    const inTank = (id: string) => id === tank?.id || drawn.slots.find((s) => s.part.id === id)?.isInTank;
    const shown = new Set(drawn.wires.map((w) => w.joint));
    for (const { joint, from, to } of run.flows)
      if (!inTank(from) || !inTank(to)) expect(shown.has(joint), `${joint} is drawn`).to.equal(true);
  }
}

const slot = (drawn: RunGeometry, id: string): Slot => drawn.slots.find((s) => s.part.id === id)!;

describe('the run’s drawing', () => {
  for (const job of Object.values(demoJobs))
    for (const key of Object.keys(layouts) as LayoutKey[])
      it(`${job.name}, ${layouts[key].name}: every part and joint, nothing covered, nothing off the sheet`, () => {
        expectDrawable(applyAct(job, { act: 'chooseLayout', key }));
      });
  it('draws any run that acts can lead to', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(demoJobs) as (keyof typeof demoJobs)[])),
        fc.array(anyDice, { maxLength: 25 }),
        (key, dice) => expectDrawable(edited(demoJobs[key], dice)),
      ),
      { seed: seedOf(20_261_126), numRuns: casesOf(600) },
    );
  }).timeout(PATIENCE);
  for (const feed of ['single', 'series', 'parallel', 'crossover'] as const)
    it(`rails fed ${feed}`, () => expectDrawable(railsJob(feed)));
  for (const [name, job] of Object.entries(oddRuns)) it(name, () => expectDrawable(job()));
  it('a return led into the supply', () => expectDrawable(returnIntoSupply()));

  it('puts supply parts in the order of the fuel, left to right, and the return right to left', () => {
    const { slots } = runGeometry(demoJobs.flatBedTender, 1250);
    const xs = (line: string) => slots.filter((s) => s.line === line && s.band === line).map((s) => s.x);
    expect(xs('supply')).to.deep.equal([...xs('supply')].sort((a, b) => a - b));
    expect(xs('return')).to.deep.equal([...xs('return')].sort((a, b) => b - a));
  });
  it('draws rails side by side under each other, the return below both and the overflow above', () => {
    const drawn = runGeometry(railsJob('parallel'), 1250);
    const [left, right] = [slot(drawn, 'rail-1'), slot(drawn, 'rail-2')];
    expect(left.x).to.equal(right.x);
    expect(Math.abs(left.y - right.y)).to.be.at.least(60);
    for (const { y } of drawn.slots.filter((s) => s.band === 'return'))
      expect(y).to.be.greaterThan(Math.max(left.y, right.y));
    for (const { y } of drawn.slots.filter((s) => s.band === 'overflow')) expect(y).to.be.lessThan(drawn.mainY);
  });
  it('gives pumps side by side places of their own, one to four', () => {
    const job = structuredClone(twoPumpJob());
    for (const id of ['pump-3', 'pump-4']) {
      addPumpBeside(job, 'pump-1', id);
      expectDrawable(structuredClone(job));
    }
  });
  it('sets pickup, pump and return drop at their heights against the fuel', () => {
    const job = structuredClone(demoJobs.flatBedTender);
    const at = (height: number) => {
      (job.parts['return-drop-1'] as { endHeight?: object }).endHeight = { si: height, unit: 'mm' };
      const { slots, tank } = runGeometry(structuredClone(job), 1250);
      return { y: slots.find((s) => s.part.id === 'return-drop-1')!.y + 13, tank: tank! };
    };
    const depth = job.survey.tank.depth!.si;
    const [low, high] = [at(0.04), at(0.14)];
    const scale = (low.tank.bottom - 4 - low.tank.top) / depth;
    expect(low.y - high.y).to.be.closeTo(0.1 * scale, 1e-9);
    expect(low.tank.bottom - 4 - low.y).to.be.closeTo(0.04 * scale, 1e-9);
  });
  it('shows the vent over the lid, clear of every part, where the tank has one', () => {
    for (const job of Object.values(demoJobs)) {
      const drawn = runGeometry(job, 1250);
      const vent = drawn.tank?.vent;
      const has = job.survey.tank.vent;
      expect(vent !== undefined, job.name).to.equal(drawn.tank !== undefined && has !== undefined && has !== 'none');
      for (const [x, y] of vent?.path ?? []) {
        expect(y).to.be.within(0, drawn.tank!.top);
        for (const slot of drawn.slots) expect(Math.hypot(slot.x - x, slot.y - y), slot.part.id).to.be.greaterThan(20);
      }
    }
  });
  it('shows every port that is open', () => {
    const drawn = runGeometry(applyAct(demoJobs.mailVan, { act: 'disconnect', joint: 'rail-1-in' }), 1250);
    expect(slot(drawn, 'rail-1').open.map((p) => p.port)).to.include('in');
    expect(slot(drawn, 'hose-2').open.map((p) => p.port)).to.deep.equal(['out']);
  });
});

/** Texts as long as they come, at every joint and every part. */
function labelled(drawn: RunGeometry) {
  const wanted = [
    ...drawn.slots.map((s) => ({ key: `at ${s.part.id}`, text: '1234.5 L/h drawn', places: placesAround(s) })),
    ...drawn.wires.map((w) => ({ key: `joint ${w.joint}`, text: '−123.4', places: numberPlaces(w) })),
  ];
  return wanted.flatMap(({ key, text }) => {
    const label = placeLabels(drawn, wanted).get(key);
    return label ? [{ key, box: boxOf(text, label) }] : [];
  });
}

/** How often a path passes the tank's outline; its open top edge counts as wall too. */
function crossings(path: RunGeometry['wires'][number]['path'], tank: NonNullable<RunGeometry['tank']>): number {
  const isIn = ([x, y]: readonly [number, number]) =>
    x > tank.left && x < tank.right && y > tank.top && y < tank.bottom;
  let count = 0;
  for (const [i, to] of path.slice(1).entries()) {
    const from = path[i]!;
    const steps = Math.ceil(Math.hypot(to[0] - from[0], to[1] - from[1]));
    let was = isIn(from);
    for (let s = 1; s <= steps; s++) {
      const is = isIn([from[0] + ((to[0] - from[0]) * s) / steps, from[1] + ((to[1] - from[1]) * s) / steps]);
      if (is !== was) count++;
      was = is;
    }
  }
  return count;
}

const isSamePlace = (a: Place, b: Place) => a[0] === b[0] && a[1] === b[1];

/** What comes back to a drop goes round its name. */
function expectNoReturnThrough(slot: Slot, drawn: RunGeometry): void {
  const name = nameBox(slot, drawn);
  for (const { joint, path } of drawn.wires.filter((w) => isSamePlace(w.path.at(-1)!, [slot.x, slot.y])))
    for (const [i, to] of path.slice(1).entries()) {
      const from = path[i]!;
      const box = [0, 1].flatMap((axis) => [Math.min(from[axis]!, to[axis]!), Math.max(from[axis]!, to[axis]!)]);
      const [left, right, top, bottom] = box as [number, number, number, number];
      expect(meet(name, [left, top, right, bottom]), `${joint} through ${slot.part.id}`).to.equal(false);
    }
}

function expectLegible(job: Job): void {
  for (const available of [940, 1250]) {
    const drawn = runGeometry(job, available);
    const labels = labelled(drawn);
    const fixed = obstacles(drawn);
    for (const [i, { key, box }] of labels.entries()) {
      for (const other of fixed) expect(meet(box, other), `${key} covers something`).to.equal(false);
      for (const other of labels.slice(i + 1))
        expect(meet(box, other.box), `${key} covers ${other.key}`).to.equal(false);
    }
    for (const slot of drawn.slots.filter((s) => s.part.kind === 'returnDrop')) expectNoReturnThrough(slot, drawn);
    const { tank } = drawn;
    if (!tank) continue;
    const isInTank = new Map(drawn.slots.map((s) => [s.part.id, s.isInTank]));
    const flows = new Map(circuitsOf(job).flows.map((f) => [f.joint, f]));
    for (const { joint, path } of drawn.wires) {
      const { from, to } = flows.get(joint)!;
      const ends = [from, to].map((id) => isInTank.get(id) ?? undefined);
      if (ends.includes(undefined)) continue; // the tank itself: its wall is where the line ends
      expect(crossings(path, tank), `${joint} of ${from} and ${to}`).to.equal(ends[0] === ends[1] ? 0 : 1);
    }
  }
}

describe('what is written on the run', () => {
  for (const job of Object.values(demoJobs))
    for (const key of Object.keys(layouts) as LayoutKey[])
      it(`${job.name}, ${layouts[key].name}: nothing printed over, no line through the tank’s wall but into it or out`, () => {
        expectLegible(applyAct(job, { act: 'chooseLayout', key }));
      });
  it('a cooler right before the drop leads round the drop’s name', () => {
    for (const job of Object.values(demoJobs)) {
      const run = circuitsOf(job);
      const drop = run.parts.find((p) => p.kind === 'returnDrop');
      if (!drop) continue;
      const joint = run.into(drop.id)[0]!.joint;
      const part = { id: 'cooler-1', kind: 'fuelCooler' } as const;
      expectLegible(applyAct(job, { act: 'insertPart', joint, part, in: 'in', out: 'out' }));
    }
  });
  it('stays so on any run that acts can lead to', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(demoJobs) as (keyof typeof demoJobs)[])),
        fc.array(anyDice, { maxLength: 12 }),
        (key, dice) => expectLegible(edited(demoJobs[key], dice)),
      ),
      { seed: seedOf(20_261_201), numRuns: casesOf(300) },
    );
  }).timeout(PATIENCE);
  it('a filter and a regulator on the hanger of an in-tank, returnless run are drawn in the tank', () => {
    const job = applyAct(demoJobs.mailVan, { act: 'chooseLayout', key: 'inTankReturnless' });
    const { slots } = runGeometry(job, 1250);
    const inside = slots.filter((s) => s.isInTank).map((s) => s.part.kind);
    expect(inside).to.include.members(['sock', 'pump', 'filter', 'regulator', 'hose', 'returnDrop']);
    expect(slots.filter((s) => !s.isInTank).map((s) => s.part.kind)).to.include('rail');
  });
});

describe('walking the run with the arrow keys', () => {
  const drawn = runGeometry(railsJob('parallel'), 1250);
  it('goes along the main path and across to a branch', () => {
    expect(nextOnRun(drawn, 'rail-1', 'down')).to.equal('rail-2');
    expect(nextOnRun(drawn, 'rail-2', 'up')).to.equal('rail-1');
    expect(nextOnRun(drawn, nextOnRun(drawn, 'rail-1', 'right'), 'left')).to.equal('rail-1');
  });
  it('reaches every part of every demo run from any other', () => {
    for (const job of Object.values(demoJobs)) {
      const run = runGeometry(job, 1250);
      const first = run.tank!.part.id;
      const seen = new Set([first]);
      const wait = [first];
      while (wait.length > 0) {
        const at = wait.pop()!;
        for (const way of ['left', 'right', 'up', 'down'] as const) {
          const next = nextOnRun(run, at, way);
          if (next === undefined || seen.has(next)) continue;
          seen.add(next);
          wait.push(next);
        }
      }
      expect([...seen].sort(), job.name).to.deep.equal([first, ...run.slots.map((s) => s.part.id)].sort());
    }
  });
});

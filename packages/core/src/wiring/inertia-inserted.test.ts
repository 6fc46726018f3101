import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import type { Harness } from '../harness/harness.ts';
import { inertiaInserted } from './inertia-inserted.ts';

const { mailVan } = demoJobs;
const harness = mailVan.wiring!;
const load = harness.devices!.find((d) => d.kind === 'pumpLoad') as { id: string; part: string };
const coils = (h: Harness) =>
  h.wires!.flatMap((w) => [
    ...(w.to?.terminal === '86' ? [{ wire: w, far: w.from! }] : []),
    ...(w.from?.terminal === '86' ? [{ wire: w, far: w.to! }] : []),
  ]);
const [coil] = coils(harness);
const relay = coil!.wire.to?.terminal === '86' ? coil!.wire.to.device : coil!.wire.from!.device;

/** From the far end of the coil's former wire to the switch, and from the switch to the coil. */
function expectInserted(before: Harness, after: Harness | undefined): void {
  const known = new Set(before.devices!.map((d) => d.id));
  const added = after!.devices!.filter((d) => !known.has(d.id));
  expect(added.map((d) => d.kind)).to.deep.equal(['inertiaSwitch']);
  const at = added[0]!.id;
  const fresh = after!.wires!.filter((w) => w.from?.device === at || w.to?.device === at);
  expect(fresh.map((w) => [w.from, w.to])).to.deep.equal([
    [coil!.far, { device: at, terminal: 'in' }],
    [
      { device: at, terminal: 'out' },
      { device: relay, terminal: '86' },
    ],
  ]);
  // the id of the wire it was put into may be given again: told by its ends
  const joins = after!.wires!.map((w) => `${w.from?.device}:${w.from?.terminal} ${w.to?.device}:${w.to?.terminal}`);
  for (const { from, to } of [coil!.wire, { from: coil!.wire.to, to: coil!.wire.from }])
    expect(joins).to.not.include(`${from?.device}:${from?.terminal} ${to?.device}:${to?.terminal}`);
  const others = (h: Harness) => h.wires!.filter((w) => w.from?.device !== at && w.to?.device !== at);
  expect(others(after!)).to.deep.equal(before.wires!.filter((w) => w.id !== coil!.wire.id));
  expect(after!.wires!.length).to.equal(before.wires!.length + 1);
  const { id: _id, from: _from, to: _to, length, ...same } = coil!.wire;
  expect(length, 'the wire it is put into was measured').to.be.an('object');
  for (const { id: _newId, from: _a, to: _b, ...kept } of fresh)
    expect(kept, 'nobody has measured it').to.deep.equal(same);
}

describe('an inertia switch put into the feed of a relay’s coil', () => {
  it('stands between the coil and what fed it, by wires of the same kind with no length yet', () => {
    expectInserted(harness, inertiaInserted(harness, load.part));
  });
  it('whichever way the wire was drawn', () => {
    const turned = harness.wires!.map((w) => (w.id === coil!.wire.id ? { ...w, from: w.to, to: w.from } : w));
    const before = { ...harness, wires: turned };
    expectInserted(before, inertiaInserted(before, load.part));
  });
  it('is offered for no other part, for no coil without a wire, nor where that wire was taken out', () => {
    expect(inertiaInserted(harness, 'rail-1')).to.equal(undefined);
    const cut = { ...harness, wires: harness.wires!.filter((w) => w.id !== coil!.wire.id) };
    expect(inertiaInserted(cut, load.part)).to.equal(undefined);
    const out = harness.wires!.map((w) => (w.id === coil!.wire.id ? { ...w, stands: 'out' as const } : w));
    expect(inertiaInserted({ ...harness, wires: out }, load.part)).to.equal(undefined);
    expect(inertiaInserted({}, load.part)).to.equal(undefined);
  });
});

import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import {
  deviceWord,
  elementName,
  fieldOf,
  onWayOf,
  partWord,
  pumpField,
  pumpWords,
  safeChanges,
} from './circuit-words.ts';

const { mailVan } = demoJobs;
const wires = mailVan.wiring!.wires!;
const devices = mailVan.wiring!.devices!;
const load = devices.find((d) => d.kind === 'pumpLoad')!;
const bare = { wiring: undefined } as Pick<Job, 'wiring'>;

describe('a circuit in words', () => {
  it('tells a wire by its number and both its ends, a device by its name, anything else by its id', () => {
    const [, second] = wires;
    expect(deviceWord(mailVan, second!.id)).to.match(/^wire 2 \(.+ to .+\)$/);
    expect(deviceWord(mailVan, wires[0]!.id)).to.match(/^wire 1 \(/);
    expect(deviceWord({ wiring: { devices: [{ ...load, label: 'Lift pump' }] } }, load.id)).to.equal('“Lift pump”');
    expect(deviceWord(mailVan, 'nothing')).to.equal('“nothing”');
    expect(deviceWord(bare, 'nothing')).to.equal('“nothing”');
  });
  it('tells a link, a load or a terminal by its device', () => {
    const named = { wiring: { devices: [{ ...load, label: 'Lift pump' }], wires } } as Job;
    expect(elementName(named, wires[2]!.id)).to.equal('wire 3');
    for (const id of [load.id, `${load.id}/0`, `${load.id}:+`])
      expect(elementName(named, id), id).to.equal('Lift pump');
    expect(elementName(named, 'else/0')).to.equal('else/0');
  });
  it('finds a wire by where it begins and a device by its label', () => {
    expect(fieldOf(mailVan, wires[0]!.id)).to.deep.equal(['wiring', 'wires', wires[0]!.id, 'from']);
    expect(fieldOf(mailVan, `${load.id}/0`)).to.deep.equal(['wiring', 'devices', load.id, 'label']);
    expect(fieldOf(bare, 'x')).to.deep.equal(['wiring', 'devices', 'x', 'label']);
  });
  it('finds a pump where it hangs in the circuit, and nowhere once its device is taken out', () => {
    const { part } = load as { part: string };
    expect(pumpField(mailVan, part)).to.deep.equal({ path: ['wiring', 'devices', load.id, 'label'] });
    expect(pumpField(mailVan, 'rail-1')).to.deep.equal({});
    const out = { wiring: { devices: [{ ...load, stands: 'out' }] } } as unknown as Job;
    expect(pumpField(out, part)).to.deep.equal({});
    expect(pumpField(bare, part)).to.deep.equal({});
  });
  it('names the pumps that something feeds, and a part that is gone by its id', () => {
    const { part } = load as { part: string };
    expect(pumpWords(mailVan, [part])).to.equal(`“${partWord(mailVan, part)}”`);
    expect(pumpWords(mailVan, [part, 'gone'])).to.equal(`“${partWord(mailVan, part)}” and “gone”`);
  });
  it('gives what belongs to one pump: its way alone, and of the safe sizes those chosen before and fuses', () => {
    const wiring = findingsOf(mailVan).wiring!;
    const [pump] = wiring.pumps;
    expect([...onWayOf({ wiring }, [pump!.part])].sort()).to.deep.equal([...new Set(pump!.through)].sort());
    expect(onWayOf({ wiring }, ['else']).size).to.equal(0);
    expect(onWayOf({}, [pump!.part]).size).to.equal(0);
    const change = (id: string, kind: 'fuse' | 'wire', was?: number) => ({ id, kind, was, to: 1 });
    const changes = [change('a', 'fuse'), change('b', 'wire'), change('c', 'wire', 2), change('d', 'fuse')];
    const safe = (ok: boolean) => ({ wiring: { ...wiring, safe: { ok, changes } } as unknown as typeof wiring });
    expect(safeChanges(safe(true), new Set(['a', 'b', 'c'])).map((c) => c.id)).to.deep.equal(['a', 'c']);
    expect(safeChanges(safe(false), new Set(['a']))).to.deep.equal([]);
    expect(safeChanges({}, new Set(['a']))).to.deep.equal([]);
  });
});

import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { assess } from '../src/assessment/assess.ts';
import { readJobFile } from '../src/job/read-job-file.ts';
import { truthTable } from '../src/harness/cut-off.ts';

const folder = new URL('./version-4/', import.meta.url);
const textOf = (name: string) => readFileSync(new URL(`${name}.json`, folder), 'utf8');
// what version 4 itself computed of these files
const golden = JSON.parse(textOf('figures')) as Record<
  string,
  Record<string, { rail: number; volts: Record<string, number> }>
>;

function opened(name: string) {
  const read = readJobFile(textOf(name));
  if (!read.ok) throw new Error(JSON.stringify(read.fault));
  return { job: read.value.job, ...assess(read.value.job) };
}

describe('a job of version 4, whose pumps carried their own wiring', () => {
  for (const [name, points] of Object.entries(golden))
    it(`${name}: the circuit drawn from it gives the same voltages and pressures`, () => {
      const { findings } = opened(name);
      for (const [key, was] of Object.entries(points)) {
        const is = findings.solution!.points[key]!;
        expect(is.railPressure, key).to.be.closeTo(was.rail, 60);
        for (const [id, volts] of Object.entries(was.volts))
          expect(is.parts.find((p) => p.id === id)!.voltage, `${key} ${id}`).to.be.closeTo(volts, 1e-3);
      }
    });
  it('keeps gauges, lengths, the temperature of the copper, contacts, fuse and cover', () => {
    const { job } = opened('mailVanWired');
    const { devices, wires } = job.wiring!;
    const supply = wires!.find((w) => w.use === 'pump' && w.area)!;
    expect(supply).to.deep.include({ length: { si: 4, unit: 'm' } });
    expect(supply.area!.typed).to.equal('14 AWG');
    expect(supply.temperature!.si).to.be.closeTo(333.15, 1e-9); // 10 K under the copper’s 70 °C
    expect(devices!.find((d) => d.kind === 'fuse')).to.deep.include({ rating: { si: 15, unit: 'A' } });
    expect(wires!.find((w) => w.lies === 'tank')!.insulation).to.equal('nylon');
  });
  it('what the survey said of stopping is in the circuit’s logic', () => {
    const { job } = opened('rescuePickup');
    for (const row of truthTable(job.wiring!))
      if (row.failed === undefined && row.wanted !== 'either')
        for (const runs of Object.values(row.pumps))
          expect(runs, row.name).to.equal(row.wanted === 'run' ? 'runs' : 'stands');
  });
  it('pumps that shared a relay share it', () => {
    const { snags } = opened('twoPumps');
    expect(snags.map((s) => s.id)).to.include('staged-pumps:pump-2:relay');
  });
  it('an unshielded sensor is still told', () => {
    expect(opened('islandShuttle').snags.map((s) => s.id)).to.include('signal-off:shield');
  });
});

import type { Job } from '../job/job.ts';
import type { Device } from '../harness/devices/index.ts';
import type { Wire } from '../harness/harness.ts';
import { harnessTemplates, type HarnessTemplateKey } from '../harness-templates/index.ts';
import { amp, awg } from './build.ts';

/** What was measured and chosen of a circuit that was laid out by a template. */
export interface Measurements {
  /** AWG and m of pump wires outside the tank, by leg. */
  readonly supply: readonly [gauge: number, length: number];
  readonly earth: readonly [gauge: number, length: number];
  /** m from the plate to the pump. */
  readonly inside: number;
  /** A by pump, in the order of the run. */
  readonly fuses: readonly number[];
}

const metres = (si: number) => ({ si, unit: 'm' });

/** A job with its circuit laid out and measured. */
export function wired(job: Job, templates: readonly HarnessTemplateKey[], given: Measurements): Job {
  const laid = templates.reduce((harness, key) => harnessTemplates[key].build(job, harness), job.wiring ?? {});
  let pump = 0;
  const devices = (laid.devices ?? []).map((d): Device => {
    if (d.kind === 'fuse' && !d.rating) return { ...d, rating: amp(given.fuses[pump++] ?? 15) };
    if (d.kind === 'relay') return { ...d, rating: amp(40) };
    if (d.kind === 'connector') return { ...d, rating: amp(25) };
    if (d.kind === 'pumpController') return { ...d, rating: amp(30), knowsEngine: true };
    return d;
  });
  const kindOf = (id: string | undefined) => devices.find((d) => d.id === id)?.kind;
  const wires = (laid.wires ?? []).map((w): Wire => {
    const ends = [kindOf(w.from?.device), kindOf(w.to?.device)];
    const [supplyGauge, supplyLength] = given.supply;
    const [earthGauge, earthLength] = given.earth;
    if (ends.includes('battery') && ends.includes('fuse'))
      return { ...w, area: awg(supplyGauge), length: metres(0.25) };
    if (ends.includes('battery')) return { ...w, stands: 'kept', area: awg(8), length: metres(0.8) };
    if (w.use === 'live') return { ...w, area: awg(supplyGauge), length: metres(0.4) };
    if (w.lies === 'tank') return { ...w, area: awg(Math.min(14, supplyGauge)), length: metres(given.inside) };
    if (w.use === 'pump' && ends.includes('pumpController') && ends.includes('relay'))
      return { ...w, area: awg(supplyGauge), length: metres(0.3) };
    if (w.use === 'pump') return { ...w, area: awg(supplyGauge), length: metres(supplyLength) };
    if (w.use === 'earth' && (ends.includes('connector') || ends.includes('pumpController')))
      return { ...w, area: awg(earthGauge), length: metres(earthLength) };
    return { ...w, area: awg(18), length: metres(w.use === 'signal' ? 2.4 : 1.2) };
  });
  return { ...job, wiring: { ...laid, devices, wires } };
}

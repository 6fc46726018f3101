import type { Job } from '../job/job.ts';
import { kindOf, partName, propertiesOf } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';

const junctions = new Set(['tee', 'y', 'block']);

/** Every typical value that stands in for a measurement on the run, as "Regulator: seat bore, wide open". */
export function standIns(job: Job): string[] {
  return circuitsOf(job).parts.flatMap((part) => {
    const held = part as unknown as Record<string, unknown>;
    const unmeasured = Object.entries(propertiesOf(part.kind))
      .filter(
        ([key, property]) =>
          property.type === 'quantity' &&
          property.typical &&
          held[key] === undefined &&
          (kindOf(part).isRelevant?.(part, key) ?? true),
      )
      .map(([, property]) => property.name);
    if (part.kind === 'hose' && part.construction === undefined) unmeasured.push('roughness of a rubber liner');
    if (part.kind === 'rail' && (part.injectors ?? job.brief.injectors) === undefined)
      unmeasured.push('four injectors');
    if (junctions.has(part.kind) && held.bore === undefined) unmeasured.push('no loss, its bore being unknown');
    return unmeasured.map((name) => `${partName(part)}: ${name}`);
  });
}

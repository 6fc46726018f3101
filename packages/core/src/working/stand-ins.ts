import { componentName, propertiesOf } from '../job/component.ts';
import type { Job } from '../job/job.ts';
import { allComponents } from '../job/needs.ts';
import { isRelevant } from '../job/relevant.ts';

/** Every typical value that stands in for a measurement on the run, as "Regulator: seat bore, wide open". */
export function standIns(job: Job): string[] {
  return allComponents(job).flatMap((component) => {
    const held = component as unknown as Record<string, unknown>;
    const unmeasured = Object.entries(propertiesOf(component.kind))
      .filter(
        ([key, property]) =>
          property.type === 'quantity' && property.typical && held[key] === undefined && isRelevant(component, key),
      )
      .map(([, property]) => property.name);
    if (component.kind === 'hose' && component.construction === undefined)
      unmeasured.push('roughness of a rubber liner');
    if (component.kind === 'rail' && (component.injectors ?? job.brief.injectors) === undefined)
      unmeasured.push('four injectors');
    return unmeasured.map((name) => `${componentName(component)}: ${name}`);
  });
}

import { commonProperties } from '../parts/define-part.ts';
import { partName, propertiesOf } from '../parts/kinds.ts';
import { assumptionProperties } from './assumption.ts';
import { briefProperties } from './brief.ts';
import { gaugeProperties } from './gauge.ts';
import { hangerProperties } from './hanger.ts';
import type { Job } from './job.ts';
import type { FieldPath } from './needs.ts';
import { surveyProperties } from './survey.ts';
import { tankProperties } from './tank.ts';
import { ventProperties } from './vent.ts';

type Named = Readonly<Record<string, { readonly name: string }>>;
const groups: Readonly<Record<string, Named>> = {
  brief: briefProperties,
  survey: surveyProperties,
  'survey/tank': tankProperties,
  'survey/vent': ventProperties,
  hanger: hangerProperties,
  gauge: gaugeProperties,
  assumptions: assumptionProperties,
};

/** A field's address in words, for a person: "tank depth", "Feed hose, hose length". */
export function sayField(job: Job, path: FieldPath): string {
  const [root, id, ...rest] = path;
  const part = root === 'parts' && typeof id === 'string' ? job.parts[id] : undefined;
  if (part) {
    const names = { ...commonProperties, ...propertiesOf(part.kind) } as Named;
    const [key, ...inner] = rest.map(String);
    return [partName(part), ...(key === undefined ? [] : [names[key]?.name ?? key]), ...inner].join(', ');
  }
  if (root === 'materials') return `what the fuel does to ${String(id)}`;
  if (root === 'bench') return `what lies on the bench of “${String(id)}”`;
  const own = groups[path.slice(0, -1).join('/')]?.[String(path.at(-1))];
  if (own) return own.name;
  const isRecord = root === 'parts' || root === 'joints' || root === 'overrules';
  return (isRecord ? path : path.filter((p) => typeof p === 'string')).join(' ');
}

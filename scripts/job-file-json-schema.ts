import { z } from 'zod';
import { jobSchema } from '../packages/core/src/job/job.ts';
import { partKinds } from '../packages/core/src/parts/kinds.ts';
import { unitById } from '../packages/core/src/units/unit-table.ts';

type Json = Record<string, unknown>;

const isJson = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value);
const mapped = (value: unknown, change: (value: Json, key: string) => unknown, key = ''): unknown => {
  if (Array.isArray(value)) return value.map((inner) => mapped(inner, change, key));
  if (!isJson(value)) return value;
  return change(Object.fromEntries(Object.entries(value).map(([k, v]) => [k, mapped(v, change, k)])), key);
};

/**
 * JSON Schema (2020-12) of the job file at the current version, generated from the one schema that judges it. What occurs again
 * and again stands once under `$defs`: each kind of part, a quantity of each kind (its limits stand with the field), and
 * whatever else is written out more than once, by the name of the field that it was met at first.
 */
export function jobFileJsonSchema(): unknown {
  const kinds = z.registry<{ id: string }>();
  for (const [kind, { schema }] of Object.entries(partKinds)) kinds.add(schema, { id: kind });
  const { $defs, ...body } = z.toJSONSchema(jobSchema, { io: 'input', metadata: kinds }) as Json & { $defs: Json };
  const quantities: Json = {};
  const plain = mapped({ ...body, $defs }, (value) => quantity(value, quantities)) as Json & { $defs: Json };
  const whole = { ...plain, $defs: { ...plain.$defs, ...quantities } };
  return { title: 'Endrel job file', ...shared(whole) };
}

/** A quantity as what all of its kind are, and the limits of this one. */
function quantity(value: Json, defs: Json): Json {
  const { si, unit } = (value.properties ?? {}) as { si?: Json; unit?: Json };
  const units = unit?.enum as string[] | undefined;
  if (!si || !units) return value;
  const { kind } = unitById(units[0]!);
  const take = {
    properties: { si: { type: 'number' }, unit: { enum: units }, typed: (value.properties as Json).typed },
  };
  defs[kind] ??= {
    type: 'object',
    description: `In SI, with the unit and the words that it was given in; twice measured, both takes and their mean.`,
    properties: {
      ...take.properties,
      takes: { type: 'array', minItems: 2, maxItems: 2, items: { type: 'object', required: ['si', 'unit'], ...take } },
    },
    required: ['si', 'unit'],
    additionalProperties: false,
  };
  const { type: _type, ...limits } = si;
  return { $ref: `#/$defs/${kind}`, ...(Object.keys(limits).length > 0 ? { properties: { si: limits } } : {}) };
}

const LEAST = 120; // letters below which it is shorter written out

/** What is written out more than once, once. */
function shared(whole: Json & { $defs: Json }): Json {
  const counts = new Map<string, number>();
  const text = (value: Json) => JSON.stringify(value);
  const isSchema = (value: Json) => 'type' in value || 'enum' in value || 'anyOf' in value;
  mapped(whole, (value) => {
    if (isSchema(value)) counts.set(text(value), (counts.get(text(value)) ?? 0) + 1);
    return value;
  });
  const made: Json = {};
  const names = new Map<string, string>();
  const refer = (value: Json, key: string): Json => {
    const given = text(value);
    if (!isSchema(value) || (counts.get(given) ?? 0) < 2 || given.length < LEAST) return value;
    let name = names.get(given);
    if (name === undefined) {
      name = key;
      for (let n = 2; name in made || name in whole.$defs; n++) name = `${key}-${n}`;
      names.set(given, name);
      made[name] = value;
    }
    return { $ref: `#/$defs/${name}` };
  };
  // from the outside in, so that the largest piece is what is shared
  const outwards = (value: unknown, key: string): unknown => {
    if (Array.isArray(value)) return value.map((inner) => outwards(inner, key));
    if (!isJson(value)) return value;
    const reference = refer(value, key);
    if (reference !== value) return reference;
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, outwards(v, k)]));
  };
  const { $defs, ...body } = whole;
  const inside = (defs: Json) =>
    Object.fromEntries(
      Object.entries(defs).map(([name, def]) => [
        name,
        Object.fromEntries(Object.entries(def as Json).map(([k, v]) => [k, outwards(v, k)])),
      ]),
    );
  const top = outwards(body, '') as Json;
  const all = inside($defs);
  for (let open = Object.keys(made); open.length > 0; open = Object.keys(made).filter((name) => !(name in all)))
    Object.assign(all, inside(Object.fromEntries(open.map((name) => [name, made[name]]))));
  return { ...top, $defs: all };
}

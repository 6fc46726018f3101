import { gaugeArea } from '../../units/wire-gauge.ts';
import type { Document } from './document.ts';

/** Version 3 held a pump's wires as one of seven gauges; version 4 holds conductors as areas, and may hold reading errors. */
export function toVersion4(document: Document): Document {
  const { parts } = document;
  if (typeof parts !== 'object' || parts === null || Array.isArray(parts)) return { ...document, schemaVersion: 4 };
  return {
    ...document,
    schemaVersion: 4,
    parts: Object.fromEntries(Object.entries(parts as Document).map(([id, part]) => [id, withAreas(part)])),
  };
}

function withAreas(part: unknown): unknown {
  if (typeof part !== 'object' || part === null) return part;
  const changed: Document = { ...(part as Document) };
  for (const key of ['supplyWire', 'earthWire']) {
    const gauge = /^awg(\d+)$/.exec(String(changed[key]))?.[1];
    if (gauge) changed[key] = { si: gaugeArea(Number(gauge)), unit: 'mm²', typed: `${gauge} AWG` };
  }
  return changed;
}

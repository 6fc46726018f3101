import type { Survey } from '../job/survey.ts';
import { segmentArea } from '../tanks/cylinder-volume.ts';
import { roundedRectangleArea } from '../tanks/rounded-box.ts';
import type { StrappingTable } from '../tanks/strapping-table.ts';

const STEPS = 60; // levels in a computed table

/** Volume against level of the surveyed tank, or the names of the measurements that it waits for. */
export function tankTable(
  tank: Survey['tank'],
): { ok: true; table: StrappingTable } | { ok: false; needs: (keyof Survey['tank'])[] } {
  const needs = (['shape', 'depth', 'length', ...(tank.shape === 'box' ? (['width'] as const) : [])] as const).filter(
    (key) => tank[key] === undefined,
  );
  if (needs.length > 0) return { ok: false, needs };
  const depth = tank.depth!.si;
  const area = sectionArea(tank, depth);
  const rows = Array.from({ length: STEPS + 1 }, (_, i) => (i / STEPS) * depth).map((level) => ({
    level,
    volume: area(level) * tank.length!.si,
  }));
  return { ok: true, table: { rows } };
}

function sectionArea(tank: Survey['tank'], depth: number): (level: number) => number {
  if (tank.shape === 'cylinder') return (level) => segmentArea(level - depth / 2, depth / 2);
  const width = tank.width!.si;
  const radius = Math.min(tank.cornerRadius?.si ?? 0, width / 2, depth / 2);
  return (level) => roundedRectangleArea(width, depth, radius, level);
}

import { dashSizes } from '@endrel/core/units/dash-size';
import type { QuantityField } from '@endrel/core/units/field';
import { fractionText } from '@endrel/core/units/inch-fraction';
import { fromSi, unitById } from '@endrel/core/units/unit-table';

const SIXTEENTH = 4; // of an inch, in sixty-fourths: the marks of a tape

/** What the arrow keys make of a value: the next in its second figure, on a tape the next mark; with Shift ten times that, or an inch. */
export function stepped(
  { si, unit: id }: { si: number; unit: string },
  field: Pick<QuantityField, 'tool'>,
  direction: number,
  large: boolean,
): string {
  if (id === 'dash') {
    const dash = Math.round(fromSi(si, unitById('dash')));
    const next = direction > 0 ? dashSizes.find((d) => d > dash) : dashSizes.findLast((d) => d < dash);
    return `−${next ?? dash}`;
  }
  const unit = unitById(id);
  const value = fromSi(si, unit);
  if (unit.id === 'in' && field.tool === 'tape') {
    const step = large ? 64 : SIXTEENTH;
    const marks =
      (direction > 0 ? Math.floor((value * 64 + 1e-6) / step) + 1 : Math.ceil((value * 64 - 1e-6) / step) - 1) * step;
    return `${fractionText(marks)} in`;
  }
  const size = Math.abs(value);
  const step = (size === 0 ? 1 : 10 ** Math.floor(Math.log10(size) - 1)) * (large ? 10 : 1);
  return `${Number((value + direction * step).toPrecision(10))} ${unit.id}`.trim();
}

import { useState } from 'react';
import { partIn } from '@endrel/core/routes/part-in';
import type { TubeRoute } from '@endrel/core/routes/lines';
import { parseQuantity } from '@endrel/core/units/parse-quantity';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** A filter, tee or union that is put into a line that is there: where it is cut. */
export function PartIn({ tube }: { tube: TubeRoute }) {
  const units = useDisplayUnits();
  const [at, setAt] = useState('');
  const [long, setLong] = useState('');
  const table = tube.table!;
  const [where, part] = [readLength(at), readLength(long)];
  const uses = tube.bench?.uses[0] ?? 0;
  const room = tube.bench?.bender.before ?? 0;
  const found =
    where !== undefined && part !== undefined ? partIn(table, tube.bendRadius, where, part, uses, room) : undefined;
  return (
    <details>
      <summary className="label min-h-[26px] py-1">Put a part into this line: where it is cut</summary>
      <div className="flex flex-wrap items-end gap-3">
        <label className="block">
          <span className="label block">its middle, along the line, mm</span>
          <input className="input w-28!" inputMode="decimal" value={at} onChange={(e) => setAt(e.target.value)} />
        </label>
        <label className="block">
          <span className="label block">from tube end to tube end, mm</span>
          <input className="input w-28!" inputMode="decimal" value={long} onChange={(e) => setLong(e.target.value)} />
        </label>
      </div>
      {((at.trim() !== '' && where === undefined) || (long.trim() !== '' && part === undefined)) && (
        <p className="text-fix">A length, such as 640 mm or 4 1/2 in.</p>
      )}{' '}
      {found && (
        <p className="mt-1 text-[0.95rem]" aria-live="polite">
          {found.ok ? (
            <>
              In straight {found.value.straight + 1}: cut at{' '}
              <strong className="figure">{units.tape(found.value.firstCut)}</strong> and{' '}
              <strong className="figure">{units.tape(found.value.secondCut)}</strong>; {units.tape(found.value.removed)}{' '}
              of tube fall out, {units.tape(found.value.before)} and {units.tape(found.value.behind)} of straight are
              left for its ends.
            </>
          ) : found.fault.code === 'offTheLine' ? (
            `The line ends at ${units.tape(table.developed)}.`
          ) : (
            `It does not go in there: its ends would lie in a bend, or lack ${units.tape(found.fault.lacks)} of straight.`
          )}
        </p>
      )}
    </details>
  );
}

/** mm unless it says otherwise. */
function readLength(text: string): number | undefined {
  const read = parseQuantity(text, { kind: 'length', name: 'length', unit: 'mm', minimum: 0, maximum: 20 });
  return read.ok ? read.value.si : undefined;
}

import { useState } from 'react';
import { afterWrongBend } from '@endrel/core/routes/stock';
import type { TubeRoute } from '@endrel/core/routes/lines';
import { degrees, toDegrees } from '@endrel/core/units/quick';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** What can still be made of a piece after one of its bends went wrong. */
export function WrongBend({ tube }: { tube: TubeRoute }) {
  const units = useDisplayUnits();
  const table = tube.table!;
  const bench = tube.bench!;
  const [bend, setBend] = useState(0);
  const [made, setMade] = useState('');
  const angle = Number(made.replace(',', '.'));
  const isRead = made.trim() !== '' && angle >= 0 && angle <= 180;
  if (table.bends.length === 0) return null;
  const after = isRead
    ? afterWrongBend(table, tube.bendRadius, Math.min(bend, table.bends.length - 1), degrees(angle), bench.cut)
    : undefined;
  const out = after && toDegrees(Math.abs(after.out));
  return (
    <details>
      <summary className="label min-h-[26px] py-1">A bend went wrong: what can still be made of it</summary>
      <div className="flex flex-wrap items-end gap-3">
        <label className="block">
          <span className="label block">bend</span>
          <select className="input w-auto!" value={bend} onChange={(e) => setBend(Number(e.target.value))}>
            {table.bends.map((a, i) => (
              <option key={i} value={i}>
                {i + 1}: {toDegrees(a).toFixed(1)}° wanted
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="label block">it came to, °</span>
          <input className="input w-24!" inputMode="decimal" value={made} onChange={(e) => setMade(e.target.value)} />
        </label>
      </div>
      {made.trim() !== '' && !isRead && <p className="text-fix">Degrees from 0 to 180.</p>}
      {after && (
        <p className="mt-1 text-[0.95rem]" aria-live="polite">
          {after.out < 0 && `It lacks ${out!.toFixed(1)}°: put it back on the same mark and bend on.`}
          {after.out >= 0 && after.closes && `It is ${out!.toFixed(1)}° over: so much opens by hand, without a crease.`}
          {!after.closes && (
            <>
              It is {out!.toFixed(1)}° over and does not go back without a crease. Kept: {after.keeps.bends} bends, cut{' '}
              {units.tape(after.keeps.length)} from its start, with a union there; {units.tape(after.anew)} more are
              bent anew.{' '}
              {after.straight >= after.anew
                ? `The straight that is left, ${units.tape(after.straight)}, is enough for them.`
                : `The straight that is left is ${units.tape(after.straight)}: it takes ${units.tape(after.anew - after.straight)} more than that, so fresh stock.`}
            </>
          )}
        </p>
      )}
    </details>
  );
}

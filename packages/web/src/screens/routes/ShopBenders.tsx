import type { FieldPath } from '@endrel/core/fields/field-path';
import type { BenderRow } from '@endrel/core/job/bender';
import { useBenders, useDropBender, useKeepBender } from '../../api/benders.ts';
import { newRowId } from '../../components/RowItem.tsx';
import { useAct } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** The shop's own benders: one is taken as it is, and the one measured here is kept for the next job. */
export function ShopBenders({ path, bender, outside }: { path: FieldPath; bender: object; outside: number }) {
  const units = useDisplayUnits();
  const act = useAct();
  const { data: benders, isError } = useBenders();
  const keep = useKeepBender();
  const drop = useDropBender();
  const own = bender as Partial<BenderRow>;
  const fits = (b: BenderRow) => !b.outsideDiameter || Math.abs(b.outsideDiameter.si - outside) < 0.0004;
  const known = benders?.find((b) => b.label === own.label && b.radius?.si === own.radius?.si);
  const sorted = [...(benders ?? [])].sort((a, b) => Number(fits(b)) - Number(fits(a)));
  return (
    <div className="my-1 flex flex-wrap items-end gap-2">
      <label className="block">
        <span className="label block">the shop’s benders</span>
        <select
          className="input w-auto!"
          value={known?.id ?? ''}
          disabled={!benders || benders.length === 0}
          onChange={(e) => {
            const chosen = benders?.find((b) => b.id === e.target.value);
            if (!chosen) return;
            const { id: _id, ...fields } = chosen;
            act({ act: 'set', path: [...path], value: fields });
          }}
        >
          <option value="">{isError ? 'not to be had now' : benders?.length ? 'choose …' : 'none kept yet'}</option>
          {sorted.map((b) => (
            <option key={b.id} value={b.id}>
              {b.label ?? 'without a name'}
              {b.radius ? `, radius ${units.tape(b.radius.si)}` : ''}
              {fits(b) ? '' : ' (for other tube)'}
            </option>
          ))}
        </select>
      </label>
      {!known && own.radius && own.label?.trim() && (
        <button
          className="button"
          disabled={keep.isPending}
          onClick={() =>
            keep.mutate({ ...own, id: newRowId(), outsideDiameter: own.outsideDiameter ?? { si: outside, unit: 'mm' } })
          }
        >
          Keep it for the shop
        </button>
      )}
      {known && (
        <button className="quiet" disabled={drop.isPending} onClick={() => drop.mutate(known.id)}>
          Take it off the shop’s list
        </button>
      )}
      {(keep.error ?? drop.error) && (
        <p role="alert" className="w-full text-stop">
          {(keep.error ?? drop.error)!.message}
        </p>
      )}
    </div>
  );
}

import { ArrowUp } from 'lucide-react';
import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Place } from '@endrel/core/parts/place';
import { waypointProperties } from '@endrel/core/job/routes';
import { anchorOf } from '../../components/anchor.ts';
import { PropertyField } from '../../components/PropertyField.tsx';
import { AddRow, RowItem } from '../../components/RowItem.tsx';
import { useAct } from '../../session/session-context.tsx';
import { PlaceFields } from './PlaceFields.tsx';

interface Row extends Place {
  readonly id: string;
  readonly clip?: boolean;
  readonly label?: string;
}

/** The places that a line goes through, from its start: corners of a tube, holds of a hose. */
export function Through({ path, rows, what }: { path: FieldPath; rows: readonly Row[]; what: string }) {
  const act = useAct();
  return (
    <section id={anchorOf(path)} aria-label="Goes through">
      <h3 className="border-b border-hair pb-0.5 font-semibold">Goes through</h3>
      {rows.length === 0 && <p className="text-[0.9rem] text-ink-soft">{what}</p>}
      <ol className="ruled">
        {rows.map((row, i) => (
          <RowItem
            key={row.id}
            path={path}
            id={row.id}
            number={i + 1}
            one="a place"
            className="gap-2"
            tools={
              i > 0 && (
                <button
                  className="quiet mt-5"
                  aria-label={`Place ${i + 1}: one earlier`}
                  onClick={() => {
                    const next = [...rows];
                    [next[i - 1], next[i]] = [next[i]!, next[i - 1]!];
                    act({ act: 'set', path: [...path], value: next });
                  }}
                >
                  <ArrowUp size={14} aria-hidden />
                </button>
              )
            }
          >
            <div className="grid min-w-0 flex-1 gap-x-3 sm:grid-cols-[1fr_6rem]">
              <PlaceFields path={[...path, row.id]} place={row} />
              <PropertyField
                property={waypointProperties.clip}
                path={[...path, row.id, 'clip']}
                value={row.clip}
                brief
                onChange={(value, group) => act({ act: 'set', path: [...path, row.id, 'clip'], value }, group)}
              />
            </div>
          </RowItem>
        ))}
      </ol>
      <AddRow path={path} one="a place" />
    </section>
  );
}

import { Plus, X } from 'lucide-react';
import { useRef } from 'react';
import type { FieldPath } from '@endrel/core/job/needs';
import type { Property } from '@endrel/core/job/property';
import { useAct } from '../session/session-context.tsx';
import { anchorOf } from './anchor.ts';
import { capital } from './capital.ts';
import { PropertyField } from './PropertyField.tsx';

interface RowsFieldProps {
  readonly title: string;
  /** What one row is, as on the button that adds one: "a pump body". */
  readonly one: string;
  readonly properties: Readonly<Record<string, Property>>;
  readonly path: FieldPath;
  readonly rows: readonly { readonly id: string }[] | undefined;
  readonly most: number;
  /** Said while there is no row. */
  readonly empty: string;
  readonly columns?: string;
}

/** An id that no other page makes at the same time. */
export const newRowId = (): string => `row-${crypto.randomUUID().slice(0, 8)}`;

/** A short list of like things, each with its few fields. */
export function RowsField({ title, one, properties, path, rows = [], most, empty, columns }: RowsFieldProps) {
  const act = useAct();
  const place = useRef<HTMLFieldSetElement>(null);
  const add = () => {
    act({ act: 'addRow', path: [...path], row: { id: newRowId() } });
    setTimeout(() => place.current?.querySelector<HTMLElement>('li:last-of-type input')?.focus());
  };
  return (
    <fieldset ref={place} id={anchorOf(path)} className="py-1">
      <legend className="text-[1.02rem] font-semibold" style={{ fontStretch: '82%' }}>
        {title}
      </legend>
      {rows.length === 0 && <p className="text-[0.88rem] text-ink-soft">{empty}</p>}
      <ol className="ruled">
        {rows.map((row, i) => (
          <li key={row.id} className="flex items-start gap-1">
            <span className="figure mt-6 w-5 shrink-0 text-right text-ink-soft">{i + 1}</span>
            <div className={`grid min-w-0 flex-1 gap-x-3 ${columns ?? 'sm:grid-cols-3'}`}>
              {Object.entries(properties).map(([key, property]) => (
                <PropertyField
                  key={key}
                  property={property}
                  path={[...path, row.id, key]}
                  value={(row as Record<string, unknown>)[key]}
                  brief
                  onChange={(value, group) => act({ act: 'set', path: [...path, row.id, key], value }, group)}
                />
              ))}
            </div>
            <button
              type="button"
              className="quiet mt-5"
              aria-label={`Remove ${one.replace(/^an? /, '')} ${i + 1}`}
              onClick={() => act({ act: 'removeRow', path: [...path], id: row.id })}
            >
              <X size={14} aria-hidden />
            </button>
          </li>
        ))}
      </ol>
      {rows.length < most && (
        <button type="button" className="button mt-1" onClick={add}>
          <Plus size={14} className="mr-1 inline" aria-hidden />
          {capital(`add ${one}`)}
        </button>
      )}
    </fieldset>
  );
}

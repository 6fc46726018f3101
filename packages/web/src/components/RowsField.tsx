import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Property } from '@endrel/core/fields/property';
import { useAct } from '../session/session-context.tsx';
import { anchorOf } from './anchor.ts';
import { PropertyField } from './PropertyField.tsx';
import { AddRow, RowItem } from './RowItem.tsx';

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

/** A short list of like things, each with its few fields. */
export function RowsField({ title, one, properties, path, rows = [], most, empty, columns }: RowsFieldProps) {
  const act = useAct();
  return (
    <fieldset id={anchorOf(path)} className="py-1">
      <legend className="text-[1.02rem] font-semibold" style={{ fontStretch: '82%' }}>
        {title}
      </legend>
      {rows.length === 0 && <p className="text-[0.88rem] text-ink-soft">{empty}</p>}
      <ol className="ruled">
        {rows.map((row, i) => (
          <RowItem key={row.id} path={path} id={row.id} number={i + 1} one={one} className="gap-1">
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
          </RowItem>
        ))}
      </ol>
      {rows.length < most && <AddRow path={path} one={one} />}
    </fieldset>
  );
}

import { memo, Suspense, useId, useRef, useState, type KeyboardEvent } from 'react';
import { loadable } from './loadable.tsx';
import type { Measured } from '@endrel/core/fields/measured';
import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Property } from '@endrel/core/fields/property';
import type { Port } from '@endrel/core/fittings/port';
import type { PumpTable } from '@endrel/core/pumps/pump-table';
import { valueOf } from '../session/pending.ts';
import { useRefused, useSession } from '../session/session-context.tsx';
import { anchorOf } from './anchor.ts';
import { capital } from '@endrel/core/units/capital';
import { RefusedNote } from './RefusedNote.tsx';
import { QuantityField } from './QuantityField.tsx';
import { TwiceField } from './TwiceField.tsx';

// a pump's table is read from files too: what that takes is fetched with the first one
const PortField = loadable(() => import('./PortField.tsx').then((m) => m.PortField));
const PumpTableField = loadable(() => import('./PumpTableField.tsx').then((m) => m.PumpTableField));

interface PropertyFieldProps {
  readonly property: Property;
  readonly path: FieldPath;
  readonly value: unknown;
  readonly needed?: boolean;
  /** In a list: no hint under it, and one line of text. */
  readonly brief?: boolean;
  /** In a cell of a table: its name is for those who do not see the heads, and no note stands under it. */
  readonly inSheet?: boolean;
  /** Follows from the path and the session alone: a field whose value stays is not drawn again for it. */
  onChange(value: unknown, group?: string): void;
}

/** The field of one property, whatever its type. Absent is unknown, and every field can go back to it. */
export const PropertyField = memo(AnyField, (was, is) => {
  const keys = ['property', 'value', 'needed', 'brief', 'inSheet'] as const;
  return keys.every((key) => was[key] === is[key]) && was.path.join('/') === is.path.join('/');
});

/** The field itself, or, where the last value of it was refused, that value with why. */
function AnyField(props: PropertyFieldProps) {
  const session = useSession();
  const refused = useRefused(props.path);
  if (!refused) return <Field {...props} />;
  return (
    <div>
      <Field key={refused.id} {...props} value={valueOf(refused.act)} />
      <RefusedNote refused={refused} session={session} />
    </div>
  );
}

function Field({ property, path, value, needed, brief, inSheet, onChange }: PropertyFieldProps) {
  const anchor = inSheet ? `sheet-${anchorOf(path)}` : anchorOf(path); // the form of the same field may stand beside the table
  switch (property.type) {
    case 'quantity':
      if (property.guide && !inSheet)
        return (
          <TwiceField
            property={property}
            value={value as Measured | undefined}
            needed={needed}
            anchor={anchor}
            path={path}
            onChange={onChange}
          />
        );
      return (
        <QuantityField
          field={property.field}
          value={value as Measured | undefined}
          typical={property.typical}
          hint={brief ? undefined : property.hint}
          needed={needed ?? property.needed}
          compact={inSheet}
          anchor={anchor}
          path={path}
          onChange={onChange}
        />
      );
    case 'choice':
      return (
        <SelectField
          label={property.name}
          hint={brief ? undefined : property.hint}
          compact={inSheet}
          anchor={anchor}
          needed={property.needed}
          options={property.options}
          unsaid={property.unsaid}
          value={value as string | undefined}
          onChange={onChange}
        />
      );
    case 'flag':
      return (
        <SelectField
          label={property.name}
          hint={property.hint}
          compact={inSheet}
          anchor={anchor}
          options={{ yes: 'yes', no: 'no' }}
          value={value === undefined ? undefined : value ? 'yes' : 'no'}
          onChange={(chosen) => onChange(chosen === undefined ? undefined : chosen === 'yes')}
        />
      );
    case 'count':
      return (
        <CountField
          label={property.name}
          hint={property.hint}
          compact={inSheet}
          anchor={anchor}
          most={property.most}
          value={value as number | undefined}
          onChange={onChange}
        />
      );
    case 'text':
      return (
        <TextField
          label={property.name}
          hint={inSheet ? undefined : property.hint}
          compact={inSheet}
          anchor={anchor}
          long={!brief && property.isLong}
          longest={property.longest}
          value={(value as string | undefined) ?? ''}
          onChange={onChange}
        />
      );
    case 'port':
      return (
        <Suspense fallback={<p className="min-h-[4.6rem] text-ink-soft">Fetching the forms …</p>}>
          <PortField label={property.name} anchor={anchor} value={value as Port | undefined} onChange={onChange} />
        </Suspense>
      );
    case 'pumpTable':
      return (
        <Suspense fallback={<p className="text-ink-soft">Fetching the table …</p>}>
          <PumpTableField
            anchor={anchor}
            path={path}
            hint={property.hint}
            value={(value as PumpTable[] | undefined) ?? []}
            onChange={onChange}
          />
        </Suspense>
      );
  }
}

export function SelectField(props: {
  label: string;
  compact?: boolean;
  hint?: string;
  anchor?: string;
  needed?: boolean;
  options: Readonly<Record<string, string>>;
  /** What it means to choose none. */
  unsaid?: string;
  value: string | undefined;
  onChange(value: string | undefined): void;
}) {
  const id = useId();
  // what was chosen and fits no more stands there as chosen: a list without it would show another, and nobody would know
  const misfit = props.value !== undefined && !Object.hasOwn(props.options, props.value);
  return (
    <div className={props.compact ? '' : 'py-1'} id={props.anchor}>
      <label htmlFor={id} className={props.compact ? 'sr-only' : 'label block'}>
        {capital(props.label)}
        {props.needed && props.value === undefined && <span className="font-semibold text-fix"> – to choose</span>}
      </label>
      <select
        id={id}
        className={`input ${props.value === undefined && props.unsaid === undefined ? 'italic text-ink-soft' : ''}`}
        value={props.value ?? ''}
        aria-invalid={misfit}
        aria-describedby={misfit ? `${id}-misfit` : undefined}
        onChange={(e) => props.onChange(e.target.value === '' ? undefined : e.target.value)}
      >
        {misfit && <option value={props.value}>something else</option>}
        <option value="">{props.unsaid ?? (props.needed ? 'unknown' : 'not given')}</option>
        {Object.entries(props.options).map(([key, name]) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </select>
      {misfit && (
        <p id={`${id}-misfit`} className="text-[0.8rem] leading-tight text-fix">
          What was chosen does not fit here: choose again.
        </p>
      )}
      {!props.compact && (
        <div className="min-h-[1.15rem] text-[0.8rem] leading-tight text-ink-soft">
          {props.value === undefined && props.hint}
        </div>
      )}
    </div>
  );
}

function CountField(props: {
  label: string;
  compact?: boolean;
  hint?: string;
  anchor: string;
  most: number;
  value: number | undefined;
  onChange(value: number | undefined, group?: string): void;
}) {
  const id = useId();
  const [text, setText] = useState<string>();
  const before = useRef(props.value);
  const bad = text !== undefined && text !== '' && !(/^\d+$/.test(text) && Number(text) <= props.most);
  return (
    <div className={props.compact ? '' : 'py-1'} id={props.anchor}>
      <label htmlFor={id} className={props.compact ? 'sr-only' : 'label block'}>
        {capital(props.label)}
      </label>
      <input
        id={id}
        className="input figure text-[1.05rem]"
        inputMode="numeric"
        autoComplete="off"
        value={text ?? props.value ?? ''}
        aria-invalid={bad}
        aria-describedby={`${id}-note`}
        onChange={(e) => {
          setText(e.target.value);
          if (e.target.value === '') props.onChange(undefined, id);
          else if (/^\d+$/.test(e.target.value) && Number(e.target.value) <= props.most)
            props.onChange(Number(e.target.value), id);
        }}
        onKeyDown={(e) => {
          if (e.key !== 'Escape' || text === undefined) return;
          e.preventDefault();
          setText(undefined);
          if (props.value !== before.current) props.onChange(before.current, id);
        }}
        onFocus={() => (before.current = props.value)}
        onBlur={() => !bad && setText(undefined)}
      />
      <div
        id={`${id}-note`}
        className={`text-[0.8rem] leading-tight text-ink-soft ${props.compact ? '' : 'min-h-[1.15rem]'}`}
      >
        {bad ? (
          <span className="text-stop">A whole number from 0 to {props.most}.</span>
        ) : (
          !props.compact && props.value === undefined && props.hint
        )}
      </div>
    </div>
  );
}

export function TextField(props: {
  label: string;
  compact?: boolean;
  hint?: string;
  anchor?: string;
  long?: boolean;
  longest: number;
  value: string;
  onChange(value: string | undefined, group?: string): void;
}) {
  const id = useId();
  const before = useRef(props.value);
  const shared = {
    id,
    value: props.value,
    placeholder: props.hint,
    maxLength: props.longest,
    onChange: (e: { target: { value: string } }) =>
      props.onChange(e.target.value === '' ? undefined : e.target.value, id),
    onFocus: () => (before.current = props.value),
    onKeyDown: (e: KeyboardEvent) => {
      if (e.key !== 'Escape' || props.value === before.current) return;
      e.preventDefault(); // as it was before this visit; the next Esc leaves the field
      props.onChange(before.current === '' ? undefined : before.current, id);
    },
  };
  return (
    <div className={props.compact ? '' : 'py-1'} id={props.anchor}>
      <label htmlFor={id} className={props.compact ? 'sr-only' : 'label block'}>
        {capital(props.label)}
      </label>
      {props.long ? (
        <textarea rows={2} className="input resize-y" {...shared} />
      ) : (
        <input className="input" autoComplete="off" {...shared} />
      )}
    </div>
  );
}

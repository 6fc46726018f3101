import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import type { Measured } from '@endrel/core/job/measured';
import type { Typical } from '@endrel/core/job/property';
import type { QuantityField as FieldSpec } from '@endrel/core/units/field';
import { formatIn, formatQuantity, partnerUnit } from '@endrel/core/units/format-quantity';
import { parseQuantity } from '@endrel/core/units/parse-quantity';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { capital } from './capital.ts';
import { lastUnit } from './last-unit.ts';

interface QuantityFieldProps {
  readonly field: FieldSpec;
  readonly value: Measured | undefined;
  readonly typical?: Typical;
  readonly hint?: string;
  /** Letter of this measurement on the sketch. */
  readonly mark?: string;
  readonly needed?: boolean;
  /** Id for links and shortcuts that bring the focus here. */
  readonly anchor?: string;
  readonly unfinished?: string;
  /** `undefined`: unknown again. `group` is one visit to the field. */
  onChange(value: Measured | undefined, group: string): void;
  /** Text that is not a value yet, so that it survives leaving the page. */
  onUnfinished?(text: string | undefined): void;
  readonly compact?: boolean;
  /** Waits for Enter or leaving, however long the pause. */
  readonly patient?: boolean;
}

const PAUSE_BEFORE_COMMIT = 600; // ms without a key

/** The one way in for quantities: any fitting unit, fractions, dash sizes; echoes what was read and keeps its unit. */
export function QuantityField(props: QuantityFieldProps) {
  const { field, value, typical, hint, mark, needed, anchor, unfinished, onChange, onUnfinished, compact, patient } =
    props;
  const id = useId();
  const [text, setText] = useState<string | undefined>(unfinished);
  const visit = useRef('');
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latest = useRef({ text, commit: (_text: string): boolean => false });

  const unitOfBareNumber = value?.unit && value.unit !== 'dash' ? value.unit : (lastUnit.of(field) ?? field.unit);
  const stored = value ? (value.typed ?? formatIn(value.si, unitById(value.unit))) : '';
  const shown = text ?? stored;
  const reading = text === undefined || text.trim() === '' ? undefined : parseQuantity(text, field, unitOfBareNumber);

  /** Hands a finished text over; false while it is no value. */
  function commit(entered: string): boolean {
    clearTimeout(timer.current);
    if (entered.trim() === '') {
      if (value !== undefined) onChange(undefined, visit.current);
      return true;
    }
    const read = parseQuantity(entered, field, unitOfBareNumber);
    if (!read.ok) return false;
    const { si, unit, typed } = read.value;
    if (/[^\d\s.,/+−-]/.test(entered)) lastUnit.remember(field, unit); // only a unit that was written out
    if (value?.si !== si || value.unit !== unit)
      onChange({ si, unit, typed: bareNumber(typed) ? `${typed} ${unit}`.trim() : typed }, visit.current);
    return true;
  }
  useEffect(() => {
    latest.current = { text, commit };
  });
  // leaving the stage in mid-word: what is a value is kept as one
  useEffect(
    () => () => {
      const { text: pending, commit: hand } = latest.current;
      if (pending !== undefined) hand(pending);
    },
    [],
  );

  function type(entered: string): void {
    setText(entered);
    clearTimeout(timer.current);
    const valid = entered.trim() === '' || parseQuantity(entered, field, unitOfBareNumber).ok;
    onUnfinished?.(valid ? undefined : entered);
    if (valid && !patient && entered.trim() !== '')
      timer.current = setTimeout(() => latest.current.commit(entered), PAUSE_BEFORE_COMMIT);
  }
  function leave(): void {
    if (text !== undefined && commit(text)) {
      latest.current = { ...latest.current, text: undefined }; // a field that goes away with this has handed it over already
      setText(undefined);
      onUnfinished?.(undefined);
    }
  }
  function press(event: KeyboardEvent<HTMLInputElement>): void {
    if (event.key === 'Enter') leave();
    if (event.key === 'Escape') {
      clearTimeout(timer.current);
      setText(undefined);
      onUnfinished?.(undefined);
    }
    const direction = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (!direction) return;
    const from = reading?.ok ? reading.value : value;
    if (!from) return;
    event.preventDefault();
    const unit = unitById(from.unit === 'dash' ? field.unit : from.unit);
    const stepped = fromSi(from.si, unit) + direction * stepOf(fromSi(from.si, unit), event.shiftKey);
    const entered = `${Number(stepped.toPrecision(10))} ${unit.id}`.trim();
    setText(entered);
    commit(entered);
  }

  const refusal = reading && !reading.ok ? reading.fault.message : undefined;
  const doubt = reading?.ok ? reading.value.doubt : value ? storedDoubt(field, value) : undefined;
  const echo = reading?.ok ? reading.value.echo : value && !refusal ? echoOf(value) : undefined;
  const unknown = value === undefined && text === undefined;
  return (
    <div className={compact ? '' : 'py-1'} id={anchor}>
      {mark && (
        <span
          aria-hidden
          className="figure float-left mr-1.5 inline-block min-w-4 text-[0.82rem] border border-hair-strong px-0.5 text-center text-ink"
        >
          {mark}
        </span>
      )}
      <label htmlFor={id} className={compact ? 'sr-only' : 'label block'}>
        {capital(field.name)}
        {needed && unknown && <span className="font-semibold text-fix"> – to measure</span>}
      </label>
      <input
        id={id}
        className="input figure text-[1.05rem]"
        inputMode="text"
        autoComplete="off"
        spellCheck={false}
        value={shown}
        placeholder={
          typical ? `typical ${formatQuantity(field.kind, typical.si, field.unit)}` : compact ? field.unit : 'unknown'
        }
        aria-invalid={refusal !== undefined}
        aria-describedby={`${id}-echo`}
        onFocus={() => (visit.current = `${id}:${Date.now()}`)}
        onChange={(e) => type(e.target.value)}
        onBlur={leave}
        onKeyDown={press}
      />
      <div id={`${id}-echo`} className="min-h-[1.15rem] text-[0.8rem] leading-tight" aria-live="polite">
        {refusal ? (
          <span className="text-stop">{refusal}</span>
        ) : (
          <>
            {echo && <span className="text-ink-soft">{echo}</span>}
            {doubt && <span className="block text-fix">{doubt}</span>}
            {!echo && !compact && (
              <span className="text-ink-soft">{typical ? `${capital(typical.source)}.` : hint}</span>
            )}
          </>
        )}
      </div>
    </div>
  );
}

const bareNumber = (typed: string) => /^[+−-]?[\d.,]+$/.test(typed);
const echoOf = (value: Measured) => {
  const unit = unitById(value.unit);
  const partner = partnerUnit(unit);
  return partner ? `= ${formatIn(value.si, partner)}` : undefined;
};
function storedDoubt(field: FieldSpec, value: Measured): string | undefined {
  const again = parseQuantity(
    `${fromSi(value.si, unitById(value.unit === 'dash' ? 'mm' : value.unit))} ${value.unit === 'dash' ? 'mm' : value.unit}`,
    field,
  );
  return again.ok ? again.value.doubt : undefined;
}
/** One step is one in the second figure; with Shift ten times that. */
function stepOf(value: number, large: boolean): number {
  const size = Math.abs(value);
  const step = size === 0 ? 1 : 10 ** Math.floor(Math.log10(size) - 1);
  return step * (large ? 10 : 1);
}

import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import type { Measured } from '@endrel/core/job/measured';
import type { FieldPath } from '@endrel/core/job/needs';
import type { Typical } from '@endrel/core/job/property';
import type { QuantityField as FieldSpec } from '@endrel/core/units/field';
import { formatIn, formatQuantity, partnerUnit } from '@endrel/core/units/format-quantity';
import { parseQuantity } from '@endrel/core/units/parse-quantity';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useBrought, useTyped } from '../session/use-typed.ts';
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
  /** Where in the job this is: what is typed is kept under it with every key, whatever becomes of the page. */
  readonly path?: FieldPath;
  /** One cell of a row that is handed over as a whole: what is typed is kept until then. */
  readonly isOfNewRow?: boolean;
  /** `undefined`: unknown again. `group` is one visit to the field. */
  onChange(value: Measured | undefined, group: string): void;
  readonly compact?: boolean;
  /** Waits for Enter or leaving, however long the pause. */
  readonly patient?: boolean;
}

const PAUSE_BEFORE_COMMIT = 600; // ms without a key

/** The one way in for quantities: any fitting unit, fractions, dash sizes; echoes what was read and keeps its unit. */
export function QuantityField(props: QuantityFieldProps) {
  return <Field key={useBrought(props.path)} {...props} />;
}

function Field(props: QuantityFieldProps) {
  const { field, value, typical, hint, mark, needed, anchor, path, isOfNewRow, onChange, compact, patient } = props;
  const { before, keep } = useTyped(path);
  const id = useId();
  const [text, setText] = useState<string | undefined>(before?.text);
  const visit = useRef(`${id}:typed before`);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latest = useRef({ text, commit: (_text: string): boolean => false });

  const unitOfBareNumber = value?.unit && value.unit !== 'dash' ? value.unit : (lastUnit.of(field) ?? field.unit);
  const stored = value ? (value.typed ?? formatIn(value.si, unitById(value.unit))) : '';
  /** Typed before a crash, and the job has got another value since: a person decides. */
  const [isOverTaken, setOverTaken] = useState(before !== undefined && before.was !== stored);
  const shown = text ?? stored;
  const reading = text === undefined || text.trim() === '' ? undefined : parseQuantity(text, field, unitOfBareNumber);

  /** Hands a finished text over; false while it is no value. */
  function commit(entered: string): boolean {
    clearTimeout(timer.current);
    if (entered.trim() === '') {
      if (value !== undefined) onChange(undefined, visit.current);
      keep(undefined, stored);
      return true;
    }
    const read = parseQuantity(entered, field, unitOfBareNumber);
    if (!read.ok) return false;
    const { si, unit, typed } = read.value;
    if (/[^\d\s.,/+−-]/.test(entered)) lastUnit.remember(field, unit); // only a unit that was written out
    if (value?.si !== si || value.unit !== unit)
      onChange({ si, unit, typed: bareNumber(typed) ? `${typed} ${unit}`.trim() : typed }, visit.current);
    if (!isOfNewRow) keep(undefined, stored); // behind the act that holds it now
    return true;
  }
  useEffect(() => {
    latest.current = { text: isOverTaken ? undefined : text, commit };
  });
  // leaving the stage in mid-word: what is a value is kept as one
  useEffect(
    () => () => {
      const { text: pending, commit: hand } = latest.current;
      if (pending !== undefined) hand(pending);
    },
    [],
  );

  // what was typed before a crash is handed over as the field is shown
  useEffect(() => {
    if (!before) return undefined;
    const soon = setTimeout(() => {
      const { text: pending, commit: hand } = latest.current;
      if (pending !== undefined && hand(pending)) setText(undefined);
    });
    return () => clearTimeout(soon);
  }, [before]);

  function type(entered: string): void {
    setText(entered);
    clearTimeout(timer.current);
    keep(entered.trim() === '' ? undefined : entered, stored); // an empty field is one that is about to be typed into
    setOverTaken(false);
    const valid = entered.trim() === '' || parseQuantity(entered, field, unitOfBareNumber).ok;
    if (valid && !patient && entered.trim() !== '')
      timer.current = setTimeout(() => latest.current.commit(entered), PAUSE_BEFORE_COMMIT);
  }
  function leave(isMeant = false): void {
    if (isOverTaken && !isMeant) return;
    if (text !== undefined && commit(text)) {
      setOverTaken(false);
      latest.current = { ...latest.current, text: undefined }; // a field that goes away with this has handed it over already
      setText(undefined);
    }
  }
  function press(event: KeyboardEvent<HTMLInputElement>): void {
    if (event.key === 'Enter') leave(true);
    if (event.key === 'Escape') {
      clearTimeout(timer.current);
      setText(undefined);
      setOverTaken(false);
      keep(undefined, stored);
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
  const overTaken = isOverTaken
    ? `Typed here before; the job holds ${stored || 'nothing'} by now. Enter takes it, Esc leaves it.`
    : undefined;
  const doubt = overTaken ?? (reading?.ok ? reading.value.doubt : value ? storedDoubt(field, value) : undefined);
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
        onBlur={() => leave()}
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

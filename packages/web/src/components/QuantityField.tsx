import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import type { Measured } from '@endrel/core/fields/measured';
import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Typical } from '@endrel/core/fields/property';
import type { QuantityField as FieldSpec } from '@endrel/core/units/field';
import { dashSizes } from '@endrel/core/units/dash-size';
import { formatIn } from '@endrel/core/units/format-quantity';
import { fractionText } from '@endrel/core/units/inch-fraction';
import { parseQuantity, typedText } from '@endrel/core/units/parse-quantity';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useBrought, useTyped } from '../session/use-typed.ts';
import { capital } from '@endrel/core/units/capital';
import { NumberPad } from './NumberPad.tsx';
import { useMedia } from './use-media.ts';
import { useDisplayUnits } from '../units/display-units.tsx';

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
  const input = useRef<HTMLInputElement>(null);
  const [focused, setFocused] = useState(false);
  const [letters, setLetters] = useState(false);
  const latest = useRef({ text, commit: (_text: string): boolean => false });

  const units = useDisplayUnits();
  const bareUnit = units.bareUnit(field);
  const stored = value ? typedText(value, field) : '';
  /** Typed before a crash, and the job has got another value since: a person decides. */
  const [isOverTaken, setOverTaken] = useState(before !== undefined && before.was !== stored);
  const shown = text ?? stored;
  const reading = text === undefined || text.trim() === '' ? undefined : parseQuantity(text, field, bareUnit);

  /** Hands a finished text over; false while it is no value. */
  function commit(entered: string): boolean {
    clearTimeout(timer.current);
    if (entered.trim() === '') {
      if (value !== undefined) onChange(undefined, visit.current);
      keep(undefined, stored);
      return true;
    }
    const read = parseQuantity(entered, field, bareUnit);
    if (!read.ok) return false;
    const { si, unit, typed, error } = read.value;
    // a field that is touched and left as it was is not measured anew
    if (entered.trim() !== stored && !(value?.si === si && value.typed === typed))
      onChange({ si, unit, typed, ...(error === undefined ? {} : { error }) }, visit.current);
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
    const valid = entered.trim() === '' || parseQuantity(entered, field, bareUnit).ok;
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
    if (event.key === 'Escape' && (text !== undefined || isOverTaken)) {
      event.preventDefault(); // the field is restored; the next Esc leaves it
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
    const entered = stepped(from, field, direction, event.shiftKey);
    setText(entered);
    commit(entered);
  }

  const refusal = reading && !reading.ok ? reading.fault.message : undefined;
  const overTaken = isOverTaken
    ? `Typed here before; the job holds ${stored || 'nothing'} by now. Enter takes it, Esc leaves it.`
    : undefined;
  const again = value && !refusal && !reading ? parseQuantity(stored, field, value.unit) : undefined;
  const said = reading ?? again;
  const doubt = overTaken ?? (said?.ok ? said.value.doubt : undefined);
  const echo = reading?.ok ? reading.value.echo : again?.ok ? /=.*$/.exec(again.value.echo)?.[0] : undefined;
  const unknown = value === undefined && text === undefined;
  const unitLabel = unitById(bareUnit).label;
  const showsUnit = unitLabel !== '' && isBare(shown);
  const hasPad = useMedia('(pointer: coarse)') && !letters;
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
      <div className="relative">
        <input
          id={id}
          ref={input}
          className="input figure text-[1.05rem]"
          style={showsUnit ? { paddingRight: `${unitLabel.length * 0.55 + 1}em` } : undefined}
          inputMode={hasPad ? 'none' : 'text'}
          autoComplete="off"
          spellCheck={false}
          value={shown}
          placeholder={
            typical
              ? `typical ${withoutUnit(formatIn(typical.si, unitById(bareUnit), field.tool), showsUnit ? unitLabel : '')}`
              : needed && !compact
                ? 'unknown'
                : ''
          }
          aria-invalid={refusal !== undefined}
          aria-describedby={`${showsUnit ? `${id}-unit ` : ''}${id}-echo`}
          onFocus={() => {
            visit.current = `${id}:${Date.now()}`;
            setFocused(true);
            if (hasPad) input.current?.scrollIntoView({ block: 'center' });
          }}
          onChange={(e) => type(e.target.value)}
          onBlur={() => {
            setFocused(false);
            setLetters(false);
            leave();
          }}
          onKeyDown={press}
        />
        {showsUnit && (
          <span
            id={`${id}-unit`}
            className="pointer-events-none absolute inset-y-0 right-2 flex items-center text-[0.9rem] text-ink-soft"
          >
            <span className="sr-only">a bare number is read in </span>
            {unitLabel}
          </span>
        )}
      </div>
      {hasPad && focused && (
        <NumberPad
          field={field}
          text={shown}
          input={input}
          onType={type}
          onLetters={() => setLetters(true)}
          onDone={() => input.current?.blur()}
        />
      )}
      <div
        id={`${id}-echo`}
        className={`text-[0.8rem] leading-tight ${compact ? '' : 'min-h-[1.15rem]'}`}
        aria-live="polite"
      >
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

/** The unit stands beside the field already. */
const withoutUnit = (text: string, unit: string): string =>
  unit !== '' && text.endsWith(unit) ? text.slice(0, -unit.length).trimEnd() : text;

/** Nothing yet, or a number that takes the field's unit; a fraction alone is inches. */
const isBare = (text: string) => /^\s*[+−-]?[\d.,]*\s*$/.test(text);

const SIXTEENTH = 4; // of an inch, in sixty-fourths: the marks of a tape

/** What the arrow keys make of a value: the next in its second figure, on a tape the next mark; with Shift ten times that, or an inch. */
function stepped(
  { si, unit: id }: { si: number; unit: string },
  field: FieldSpec,
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

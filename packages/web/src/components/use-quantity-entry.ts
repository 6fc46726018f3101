import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import type { Measured } from '@endrel/core/fields/measured';
import type { FieldPath } from '@endrel/core/fields/field-path';
import type { QuantityField as FieldSpec } from '@endrel/core/units/field';
import { parseQuantity, typedText } from '@endrel/core/units/parse-quantity';
import { useTyped } from '../session/use-typed.ts';
import { useDisplayUnits } from '../units/display-units.tsx';
import { stepped } from './stepped.ts';

export interface QuantityEntryProps {
  readonly field: FieldSpec;
  readonly value: Measured | undefined;
  /** Where in the job this is: what is typed is kept under it with every key, whatever becomes of the page. */
  readonly path?: FieldPath;
  /** One cell of a row that is handed over as a whole: what is typed is kept until then. */
  readonly isOfNewRow?: boolean;
  /** `undefined`: unknown again. `group` is one visit to the field. */
  onChange(value: Measured | undefined, group: string): void;
  /** Waits for Enter or leaving, however long the pause. */
  readonly patient?: boolean;
}

/** A field for a quantity as it is being filled in. */
interface QuantityEntry {
  readonly text: string;
  /** In which a bare number is read. */
  readonly bareUnit: string;
  readonly isUnknown: boolean;
  /** Why what is typed is no value. */
  readonly refusal: string | undefined;
  readonly doubt: string | undefined;
  /** What was read. */
  readonly echo: string | undefined;
  /** Somebody comes to the field. */
  begin(): void;
  type(entered: string): void;
  leave(): void;
  press(event: KeyboardEvent<HTMLInputElement>): void;
}

const PAUSE_BEFORE_COMMIT = 600; // ms without a key

/** What is typed into a field for a quantity: read with every key, kept, and handed over once it is a value. */
export function useQuantityEntry({
  field,
  value,
  path,
  isOfNewRow,
  onChange,
  patient,
}: QuantityEntryProps): QuantityEntry {
  const { before, keep } = useTyped(path);
  const id = useId();
  const [text, setText] = useState<string | undefined>(before?.text);
  const visit = useRef(`${id}:typed before`);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latest = useRef({ text, commit: (_text: string): boolean => false });

  const bareUnit = useDisplayUnits().bareUnit(field);
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
  return {
    text: shown,
    bareUnit,
    isUnknown: value === undefined && text === undefined,
    refusal,
    doubt: overTaken ?? (said?.ok ? said.value.doubt : undefined),
    echo: reading?.ok ? reading.value.echo : again?.ok ? /=.*$/.exec(again.value.echo)?.[0] : undefined,
    begin: () => (visit.current = `${id}:${Date.now()}`),
    type,
    leave,
    press,
  };
}

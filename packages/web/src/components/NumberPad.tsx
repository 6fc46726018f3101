import { Delete } from 'lucide-react';
import type { ReactNode, RefObject } from 'react';
import { createPortal } from 'react-dom';
import type { QuantityField } from '@endrel/core/units/field';
import type { QuantityKind } from '@endrel/core/units/quantity';
import { unitsOf } from '@endrel/core/units/unit-table';

interface NumberPadProps {
  readonly field: QuantityField;
  /** What is in the field, for a unit to be put behind it and a fraction beside the whole. */
  readonly text: string;
  readonly input: RefObject<HTMLInputElement | null>;
  onType(text: string): void;
  onLetters(): void;
  onDone(): void;
}

/** Units that have a key; the others are typed as letters. */
const keysOf: Partial<Record<QuantityKind, readonly string[]>> = {
  length: ['mm', 'cm', 'in', 'ft'],
  pressure: ['kPa', 'bar', 'psi', 'inHg'],
  volumeFlow: ['L/h', 'L/min', 'gal/h', 'cc/min'],
  volume: ['L', 'mL', 'gal'],
};
const MOST_UNITS = 4;
const FRACTIONS = ['1/2', '1/4', '1/8', '1/16'] as const;

/** Keys as large as a glove wants them, in place of the telephone's keyboard: figures, fractions of an inch, units. */
export function NumberPad({ field, text, input, onType, onLetters, onDone }: NumberPadProps) {
  const units =
    keysOf[field.kind] ??
    unitsOf(field.kind)
      .map((u) => u.id)
      .filter(Boolean)
      .slice(0, MOST_UNITS);
  const put = (piece: string) => {
    const [from, to] = selectionOf(input.current, text);
    const joined = /\//.test(piece) && piece.length > 1 && /\d$/.test(text.slice(0, from)) ? ` ${piece}` : piece;
    onType(text.slice(0, from) + joined + text.slice(to));
    caret(input.current, from + joined.length);
  };
  const erase = () => {
    const [from, to] = selectionOf(input.current, text);
    const start = from === to ? Math.max(0, from - 1) : from;
    onType(text.slice(0, start) + text.slice(to));
    caret(input.current, start);
  };
  const withUnit = (unit: string) => {
    const next = `${text.replace(/\s*[^\d\s/.,±−+-][^±]*$/, '').trimEnd()} ${unit}`;
    onType(next);
    caret(input.current, next.length);
  };
  const key = (label: ReactNode, name: string, press: () => void, look = 'bg-sheet') => (
    <button
      key={name}
      type="button"
      tabIndex={-1}
      aria-label={name}
      className={`figure min-h-11 border border-hair-strong text-[1.25rem] active:bg-lit ${look}`}
      // the field keeps the focus
      onPointerDown={(e) => e.preventDefault()}
      onMouseDown={(e) => e.preventDefault()}
      onClick={press}
    >
      {label}
    </button>
  );
  const digits = (...all: string[]) => all.map((d) => key(d, d, () => put(d)));
  return createPortal(
    <div
      role="group"
      aria-label={`Keys for ${field.name}`}
      data-number-pad
      className="no-print fixed inset-x-0 bottom-0 z-30 grid grid-cols-5 gap-1 border-t-2 border-ink bg-paper p-1.5"
    >
      {field.kind === 'length' && [
        ...FRACTIONS.map((f) => key(f, f, () => put(f))),
        key('±', 'plus or minus', () => put(' ±')),
      ]}
      {digits('7', '8', '9')}
      {key('/', 'divided by', () => put('/'))}
      {key(<Delete size={20} aria-hidden className="mx-auto" />, 'Erase', erase)}
      {digits('4', '5', '6')}
      {key('−', 'minus', () => put('−'))}
      {key('space', 'space', () => put(' '), 'bg-sheet text-[0.9rem]!')}
      {digits('1', '2', '3')}
      {key('0', '0', () => put('0'))}
      {key('.', 'point', () => put('.'))}
      {units.map((unit) => key(unit, unit, () => withUnit(unit), 'text-[1.05rem]! bg-lit'))}
      {key('abc', 'Letters', onLetters, 'bg-sheet text-[0.9rem]!')}
      {key('Done', 'Done', onDone, 'col-span-full bg-ink text-sheet')}
    </div>,
    document.body,
  );
}

/** What is selected, or where the caret stands. */
const selectionOf = (input: HTMLInputElement | null, text: string): [number, number] => [
  input?.selectionStart ?? text.length,
  input?.selectionEnd ?? text.length,
];

/** The caret goes behind what was put in, once the field shows it. */
function caret(input: HTMLInputElement | null, at: number): void {
  requestAnimationFrame(() => input?.setSelectionRange(at, at));
}

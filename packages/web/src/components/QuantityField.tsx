import { useId, useRef, useState, type ReactNode } from 'react';
import type { Typical } from '@endrel/core/fields/property';
import { formatIn } from '@endrel/core/units/format-quantity';
import { unitById } from '@endrel/core/units/unit-table';
import { useBrought } from '../session/use-typed.ts';
import { capital } from '@endrel/core/units/capital';
import { NumberPad } from './NumberPad.tsx';
import { useMedia } from './use-media.ts';
import { useQuantityEntry, type QuantityEntryProps } from './use-quantity-entry.ts';

interface QuantityFieldProps extends QuantityEntryProps {
  readonly typical?: Typical;
  readonly hint?: string;
  /** Letter of this measurement on the sketch. */
  readonly mark?: string;
  readonly needed?: boolean;
  /** Id for links and shortcuts that bring the focus here. */
  readonly anchor?: string;
  readonly compact?: boolean;
}

/** The one way in for quantities: any fitting unit, fractions, dash sizes; echoes what was read and keeps its unit. */
export function QuantityField(props: QuantityFieldProps) {
  return <Field key={useBrought(props.path)} {...props} />;
}

function Field(props: QuantityFieldProps) {
  const { field, typical, hint, mark, needed, anchor, compact } = props;
  const entry = useQuantityEntry(props);
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const [focused, setFocused] = useState(false);
  const [letters, setLetters] = useState(false);
  const unitLabel = unitById(entry.bareUnit).label;
  const showsUnit = unitLabel !== '' && isBare(entry.text);
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
        {needed && entry.isUnknown && <span className="font-semibold text-fix"> – to measure</span>}
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
          value={entry.text}
          placeholder={
            typical
              ? `typical ${withoutUnit(formatIn(typical.si, unitById(entry.bareUnit), field.tool), showsUnit ? unitLabel : '')}`
              : needed && !compact
                ? 'unknown'
                : ''
          }
          aria-invalid={entry.refusal !== undefined}
          aria-describedby={`${showsUnit ? `${id}-unit ` : ''}${id}-echo`}
          onFocus={() => {
            entry.begin();
            setFocused(true);
            if (hasPad) input.current?.scrollIntoView({ block: 'center' });
          }}
          onChange={(e) => entry.type(e.target.value)}
          onBlur={() => {
            setFocused(false);
            setLetters(false);
            entry.leave();
          }}
          onKeyDown={entry.press}
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
          text={entry.text}
          input={input}
          onType={entry.type}
          onLetters={() => setLetters(true)}
          onDone={() => input.current?.blur()}
        />
      )}
      <Echo id={`${id}-echo`} entry={entry} compact={compact === true}>
        {typical ? `${capital(typical.source)}.` : hint}
      </Echo>
    </div>
  );
}

interface EchoProps {
  readonly id: string;
  readonly entry: Pick<ReturnType<typeof useQuantityEntry>, 'refusal' | 'doubt' | 'echo'>;
  readonly compact: boolean;
  /** Said while nothing was read. */
  readonly children: ReactNode;
}

/** What was read of what is typed, or why it is no value. */
function Echo({ id, entry: { refusal, doubt, echo }, compact, children }: EchoProps) {
  return (
    <div id={id} className={`text-[0.8rem] leading-tight ${compact ? '' : 'min-h-[1.15rem]'}`} aria-live="polite">
      {refusal ? (
        <span className="text-stop">{refusal}</span>
      ) : (
        <>
          {echo && <span className="text-ink-soft">{echo}</span>}
          {doubt && <span className="block text-fix">{doubt}</span>}
          {!echo && !compact && <span className="text-ink-soft">{children}</span>}
        </>
      )}
    </div>
  );
}

/** The unit stands beside the field already. */
const withoutUnit = (text: string, unit: string): string =>
  unit !== '' && text.endsWith(unit) ? text.slice(0, -unit.length).trimEnd() : text;

/** Nothing yet, or a number that takes the field's unit; a fraction alone is inches. */
const isBare = (text: string) => /^\s*[+−-]?[\d.,]*\s*$/.test(text);

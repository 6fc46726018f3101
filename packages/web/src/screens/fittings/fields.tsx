import { useId, type ReactNode } from 'react';

/** A text field with its name over it and what is wrong under it. */
export function TypedField({
  label,
  value,
  hint,
  fault,
  onChange,
}: {
  label: string;
  value: string;
  hint?: string;
  fault?: string;
  onChange(value: string): void;
}) {
  const id = useId();
  return (
    <Labelled id={id} label={label} note={fault ?? hint} isFault={fault !== undefined}>
      <input
        id={id}
        className="input"
        autoComplete="off"
        value={value}
        aria-invalid={fault !== undefined}
        aria-describedby={`${id}-note`}
        onChange={(e) => onChange(e.target.value)}
      />
    </Labelled>
  );
}

/** A choice with its name over it. */
export function ChosenField({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: Readonly<Record<string, string>>;
  onChange(value: string): void;
}) {
  const id = useId();
  return (
    <Labelled id={id} label={label}>
      <select id={id} className="input" value={value} onChange={(e) => onChange(e.target.value)}>
        {Object.entries(options).map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

/** The name over a field and the note under it, for which room is kept: fields beside one another stand on one line. */
function Labelled({
  id,
  label,
  note,
  isFault = false,
  children,
}: {
  id: string;
  label: string;
  note?: string;
  isFault?: boolean;
  children: ReactNode;
}) {
  return (
    <div className="py-1">
      <label className="label block" htmlFor={id}>
        {label}
      </label>
      {children}
      <p id={`${id}-note`} className={`min-h-[1.15rem] text-[0.82rem] ${isFault ? 'text-stop' : 'text-ink-soft'}`}>
        {note}
      </p>
    </div>
  );
}

export const Panel = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="min-w-0">
    <h2 className="border-b border-ink pb-1 text-lg">{title}</h2>
    {children}
  </section>
);

import type { ReactNode } from 'react';

/** Figures of one thing in a row. */
export function Facts({ children }: { children: ReactNode }) {
  return <dl className="flex flex-wrap gap-x-6 gap-y-1 py-1.5">{children}</dl>;
}

export function Fact({ name, value, note }: { name: string; value: string; note?: string }) {
  return (
    <div>
      <dt className="label">{name}</dt>
      <dd className="figure font-semibold">{value}</dd>
      {note && <dd className="label">{note}</dd>}
    </div>
  );
}

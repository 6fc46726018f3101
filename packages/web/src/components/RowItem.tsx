import { Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { useAct } from '../session/session-context.tsx';
import { capital } from '@endrel/core/units/capital';
import { newId } from '../session/new-id.ts';

/** An id that no other page makes at the same time. */
export const newRowId = (): string => `row-${newId().slice(0, 8)}`;

interface RowItemProps {
  /** Of the list that it is a row of. */
  readonly path: FieldPath;
  readonly id: string;
  readonly number: number;
  /** What one row is: "a pump body". */
  readonly one: string;
  readonly className?: string;
  /** Buttons besides the one that removes it. */
  readonly tools?: ReactNode;
  readonly children: ReactNode;
}

/** One row of a list: its number, its fields, and what takes it out. */
export function RowItem({ path, id, number, one, className = '', tools, children }: RowItemProps) {
  const act = useAct();
  return (
    <li className={`flex items-start ${className}`}>
      <span className="figure mt-6 w-5 shrink-0 text-right text-ink-soft">{number}</span>
      {children}
      {tools}
      <button
        type="button"
        className="quiet mt-5"
        aria-label={`Remove ${one.replace(/^an? /, '')} ${number}`}
        onClick={() => act({ act: 'removeRow', path: [...path], id })}
      >
        <X size={14} aria-hidden />
      </button>
    </li>
  );
}

/** The button right behind a list that adds a row to it, and goes on to the row's first field. */
export function AddRow({ path, one }: { path: FieldPath; one: string }) {
  const act = useAct();
  const add = (list: Element | null) => {
    act({ act: 'addRow', path: [...path], row: { id: newRowId() } });
    setTimeout(() => list?.lastElementChild?.querySelector<HTMLElement>('input, select, textarea')?.focus());
  };
  return (
    <button type="button" className="button mt-1" onClick={(e) => add(e.currentTarget.previousElementSibling)}>
      <Plus size={14} className="mr-1 inline" aria-hidden />
      {capital(`add ${one}`)}
    </button>
  );
}

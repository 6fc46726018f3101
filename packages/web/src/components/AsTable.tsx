import { useState, type ReactNode } from 'react';

/** A table to type into, folded away until it is asked for: it is drawn only then. */
export function AsTable({ title, children }: { title: string; children: ReactNode }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <details className="mt-2" open={isOpen} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="min-h-[26px] py-1 font-semibold">{title}</summary>
      {isOpen && children}
    </details>
  );
}

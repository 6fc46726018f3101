import type { ReactNode } from 'react';

/** A caution at the step that it belongs to. Calm and specific; always ends with who decides. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <aside aria-label="Caution" className="mt-3 border-l-4 border-fix bg-sheet px-3 py-2 text-[0.92rem] leading-snug">
      {children} Check the local code, and use a licensed workshop where it says so. Endrel advises; the person who
      signs is responsible.
    </aside>
  );
}

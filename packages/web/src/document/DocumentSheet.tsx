import type { SheetDocument } from '@endrel/core/documents/document';
import { DocumentSection } from './DocumentSection.tsx';

/** A sheet as data, on the page and, by its print style, on paper. */
export function DocumentSheet({ sheet }: { sheet: SheetDocument }) {
  const { key, title, about, stop, sections } = sheet;
  return (
    <article aria-labelledby={`sheet-${key}`} className="max-w-[60rem] pb-6 break-after-page last:break-after-auto">
      <header className="border-b-2 border-ink pb-1">
        <h2 id={`sheet-${key}`} className="text-xl">
          {title}
        </h2>
        <p className="text-ink-soft">{about.join(' · ')}</p>
      </header>
      {stop !== undefined && <p className="my-2 border-l-4 border-stop bg-sheet px-3 py-1.5 font-semibold">{stop}</p>}
      {sections.map((section, i) => (
        <DocumentSection key={i} section={section} />
      ))}
    </article>
  );
}

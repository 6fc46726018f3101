import type { Cell, Section, SheetDocument } from './document.ts';

const OPEN = 'still open';
const plain = (cell: Cell): string => (typeof cell === 'string' ? cell : cell.text);
const openIn = (cell: Cell): string[] => (typeof cell === 'string' ? [] : [cell.open]);

/** The tables, figures and steps of documents as the rows of one CSV file; each row begins with what it is. Drawings are left out. */
export function documentRows(documents: readonly SheetDocument[]): string[][] {
  return documents.flatMap((d) => [
    ...(d.stop === undefined ? [] : [['stop', d.stop]]),
    ...d.sections.flatMap((section) => sectionRows(section)),
  ]);
}

function sectionRows(section: Section): string[][] {
  switch (section.as) {
    case 'table': {
      const { key, columns, rows } = section;
      if (rows.length === 0) return [];
      const hasOpen = rows.some((row) => row.some((cell) => openIn(cell).length > 0));
      return [
        ['is', ...columns.map((c) => c.name.toLowerCase()), ...(hasOpen ? [OPEN] : [])],
        ...rows.map((row) => [key, ...row.map(plain), ...(hasOpen ? [row.flatMap(openIn).join('; ')] : [])]),
      ];
    }
    case 'figures':
      return section.figures.map((f) => ['figure', f.name, f.value, f.note ?? '']);
    case 'steps':
      return section.steps.map((step, i) => [`step ${i + 1}`, section.heading ?? '', step, section.about ?? '']);
    case 'words':
      return section.text.map((text) => ['note', section.heading ?? '', text]);
    case 'drawing':
    case 'caution':
      return [];
  }
}

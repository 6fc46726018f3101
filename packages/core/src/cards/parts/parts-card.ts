import type { Section } from '../../documents/document.ts';
import type { Job } from '../../job/job.ts';
import { layouts } from '../../job/layout.ts';
import { defineCard } from '../define-card.ts';
import { partRows } from './part-rows.ts';

/** What to buy or find for the run. */
export const partsCard = defineCard('parts', ({ job, say }) => {
  const rows = partRows(job, say);
  if (rows.length === 0) return [];
  const bought: Section = {
    as: 'table',
    key: 'buy',
    columns: [
      { name: 'Part', is: 'name' },
      { name: 'What', is: 'words' },
      { name: 'Pieces', is: 'figure' },
      { name: 'Line', is: 'words' },
    ],
    rows: rows.map((r) => [
      r.part,
      r.open === '' ? r.specification : { text: r.specification, open: r.open },
      r.quantity,
      r.where,
    ]),
    ticks: true,
  };
  const caution = 'Typical values are to be verified against each part’s data sheet.';
  return [
    {
      key: 'parts',
      title: 'To buy or find',
      sections: [...layoutWords(job), bought, { as: 'caution', text: caution }],
    },
  ];
});

/** The layout that the list is for, and why it was chosen. */
function layoutWords({ layout }: Job): Section[] {
  if (!layout.key) return [];
  const text = [
    ...(layout.reason ? [layout.reason] : []),
    ...(layout.overrule ? [`Against Endrel’s choice: ${layout.overrule}`] : []),
  ];
  return [{ as: 'words', heading: `Layout: ${layouts[layout.key].name.toLowerCase()}`, text }];
}

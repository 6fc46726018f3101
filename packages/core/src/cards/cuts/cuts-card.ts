import { defineCard } from '../define-card.ts';
import { cutRows } from './cut-rows.ts';

const CAUTION = 'Eye protection and gloves when cutting braid; blow every piece out before it is fitted.';

/** What is cut from hose, line and tube. */
export const cutsCard = defineCard('cuts', ({ job, say }) => {
  const rows = cutRows(job, say);
  if (rows.length === 0) return [];
  return [
    {
      key: 'cuts',
      title: 'To cut',
      sections: [
        {
          as: 'table',
          key: 'cut',
          columns: [
            { name: 'Piece', is: 'name' },
            { name: 'From', is: 'words' },
            { name: 'Length', is: 'figure' },
            { name: 'Line', is: 'words' },
            { name: 'How', is: 'words' },
          ],
          rows: rows.map((r) => [r.part, r.stock, r.length, r.line, r.note]),
          ticks: true,
        },
        { as: 'caution', text: CAUTION },
      ],
    },
  ];
});

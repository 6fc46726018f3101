import { circuits, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';
import { isLine } from '../../parts/kinds.ts';

/** Feed and return crossed: the tag on a line contradicts where it is joined. */
export const linesSwapped: Rule = {
  key: 'lines-swapped',
  check: ({ job }) => {
    const run = circuits(job);
    const lines = run.parts.filter(isLine);
    const isReturn = (id: string) => run.lineOf(id) !== 'supply';
    const swapped = lines.flatMap((part): SnagReport[] => {
      const is = isReturn(part.id) ? 'return' : 'feed';
      if (part.tag === undefined || part.tag === 'none' || part.tag === is) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'tag'],
          what: `${quoted(part)} is tagged ${part.tag} but lies in the ${is}: feed and return are crossed.`,
          why: 'The pump then works against the closed regulator from behind: no pressure at the rail, and full pressure in a line made for none.',
          cure: 'Trace the line by blowing through it, join it to the right port, or correct its tag if the tag is wrong.',
          act: { act: 'setOnPart', id: part.id, key: 'tag', value: is },
          actLabel: `It is the ${is}: correct the tag`,
          source: 'common practice',
        },
      ];
    });
    const bare = lines.filter((p) => p.tag === 'none');
    if (swapped.length > 0 || bare.length === 0 || !run.order.some(isReturn)) return swapped;
    return [
      {
        grade: 'note',
        stage: 'run',
        part: bare[0]!.id,
        path: ['parts', bare[0]!.id, 'tag'],
        which: 'bare',
        what: `${bare.map(quoted).join(', ')} ${bare.length > 1 ? 'carry' : 'carries'} no tag.`,
        why: 'Feed and return of the same bore are easily crossed when the tank goes back in.',
        cure: 'Tag both ends of both lines before the tank is lifted.',
        source: 'common practice',
      },
    ];
  },
};

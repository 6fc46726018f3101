import type { Rule, SnagReport } from '../snag.ts';
import { placed, quoted } from '../reading.ts';

/** Feed and return crossed: the tag on a line contradicts where it is joined. */
export const linesSwapped: Rule = {
  key: 'lines-swapped',
  check: ({ job }) => {
    const lines = placed(job).filter((p) => p.component.kind === 'hose' || p.component.kind === 'hardLine');
    const tagOf = (p: (typeof lines)[number]) => (p.component as { tag?: 'feed' | 'return' | 'none' }).tag;
    const swapped = lines.flatMap((place): SnagReport[] => {
      const { component, line, index } = place;
      const tag = tagOf(place);
      const is = line === 'supply' ? 'feed' : 'return';
      if (tag === undefined || tag === 'none' || tag === is) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'tag'],
          what: `${quoted(component)} is tagged ${tag} but lies in the ${is}: feed and return are crossed.`,
          why: 'The pump then works against the closed regulator from behind: no pressure at the rail, and full pressure in a line made for none.',
          cure: 'Trace the line by blowing through it, join it to the right port, or correct its tag if the tag is wrong.',
          act: { act: 'setOnComponent', id: component.id, key: 'tag', value: is },
          actLabel: `It is the ${is}: correct the tag`,
          source: 'common practice',
        },
      ];
    });
    const bare = lines.filter((p) => tagOf(p) === 'none');
    if (swapped.length > 0 || bare.length === 0 || job.run.return.length === 0) return swapped;
    return [
      {
        grade: 'note',
        stage: 'run',
        component: bare[0]!.component.id,
        path: ['run', bare[0]!.line, bare[0]!.index, 'tag'],
        what: `${bare.map((p) => quoted(p.component)).join(', ')} ${bare.length > 1 ? 'carry' : 'carries'} no tag.`,
        why: 'Feed and return of the same bore are easily crossed when the tank goes back in.',
        cure: 'Tag both ends of both lines before the tank is lifted.',
        source: 'common practice',
      },
    ];
  },
};

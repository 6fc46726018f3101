import { figure } from '../../units/quantity.ts';
import { measured } from '../../fields/measured.ts';
import { isMore } from '../../harness/ampacity.ts';
import { atLeastOne } from '../../harness/wire.ts';
import { deviceWord, pumpWords } from '../../wiring/circuit-words.ts';
import type { Job } from '../../job/job.ts';
import type { RatedFinding } from '../../wiring/wiring-findings.ts';
import type { Rule, SnagReport } from '../snag.ts';

const MOST_PINS = 4;

/** Pins, relay contacts, switches and studs that carry more than they are rated for, or than their fuse would keep from them. */
export const contactOverloaded: Rule = {
  key: 'contact-overloaded',
  check: ({ job, wiring }) =>
    (wiring?.rated ?? []).flatMap((found): SnagReport[] => {
      const base = {
        stage: 'wiring',
        path: ['wiring', 'devices', found.device, 'rating'],
        source: 'its own rating; common practice',
      } as const;
      const whose = found.pumps.length > 0 ? ` of ${pumpWords(job, found.pumps)}` : '';
      const limit = { label: 'rated', ...figure('current', found.rated) };
      if (isMore(found.amps, found.rated))
        return [
          {
            ...base,
            grade: 'fix',
            which: found.device,
            what: `${deviceWord(job, found.device)} carries more${whose === '' ? '' : ` current${whose}`} than it is rated for.`,
            figure: { label: 'most that passes', ...figure('current', found.amps) },
            limit,
            why: 'It heats up, its springs go soft, and the heat makes it worse until it melts or welds.',
            ...stronger(job, found, found.amps),
          },
        ];
      if (found.fuse !== undefined && found.pumps.length > 0 && isMore(found.fuse, found.rated))
        return [
          {
            ...base,
            grade: 'fix',
            which: `${found.device}-fuse`,
            what: `The fuse${whose} passes more than ${deviceWord(job, found.device)} is rated for.`,
            figure: { label: 'fuse', ...figure('current', found.fuse) },
            limit,
            why: 'A pump that drags draws more than it should for hours, and the contact melts before the fuse goes.',
            ...stronger(job, found, found.fuse),
          },
        ];
      return [];
    }),
};

/** A connector gets its pins doubled, if that is enough; anything else has to be a stronger one. */
function stronger(
  { wiring }: Job,
  { device, rated }: RatedFinding,
  amps: number,
): Pick<SnagReport, 'cure' | 'act' | 'actLabel'> {
  const own = wiring?.devices?.find((d) => d.id === device);
  if (own?.kind !== 'connector')
    return { cure: 'Use one that is rated for it, or let it switch the coil of a relay that is.' };
  const pins = atLeastOne(own.pins);
  const needs = Math.ceil((amps / (rated / pins)) * (1 - 1e-9));
  if (needs > MOST_PINS) return { cure: 'Use a connector with stronger pins, or feed the pump past it by studs.' };
  const wires = (wiring?.wires ?? []).filter(
    (w) => [w.from?.device, w.to?.device].includes(device) && w.stands !== 'out' && (w.conductors ?? 1) < needs,
  );
  return {
    cure: `${needs} pins side by side carry ${measured(needs * (rated / pins), 'A').si} A: a conductor in each.`,
    act: {
      act: 'setAll',
      title: `use ${needs} pins and conductors there`,
      changes: [
        { path: ['wiring', 'devices', device, 'pins'], value: needs },
        ...wires.map((w) => ({ path: ['wiring', 'wires', w.id, 'conductors'], value: needs })),
      ],
    },
    actLabel: `Use ${needs} pins and conductors`,
  };
}

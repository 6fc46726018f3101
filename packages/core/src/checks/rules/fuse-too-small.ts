import { figure } from '../../units/quantity.ts';
import { FUSE_FACTOR, fuseFor } from '../../harness/fuse.ts';
import { deviceWord, onWayOf, pumpWords, safeChanges } from '../../wiring/circuit-words.ts';
import { resize } from '../resize.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** A fuse below 1.25 times what its pumps draw at most blows on a hot day. */
export const fuseTooSmall: Rule = {
  key: 'fuse-too-small',
  check: (findings) =>
    (findings.wiring?.fuses ?? []).flatMap((fuse, i, all): SnagReport[] => {
      const least = fuse.amps * FUSE_FACTOR;
      if (fuse.rating === undefined || fuse.pumps.length === 0 || fuse.rating >= least * (1 - 1e-9)) return [];
      const [pump] = fuse.pumps.length === 1 ? fuse.pumps : [];
      const isFirst = all.findIndex((f) => f.pumps.join() === fuse.pumps.join()) === i;
      const next = fuseFor(fuse.amps);
      // a larger fuse alone would pass what the wire there is does not carry: wires go with it
      const changes = safeChanges(findings, new Set([fuse.device, ...onWayOf(findings, fuse.pumps)]));
      return [
        {
          grade: 'fix',
          stage: 'wiring',
          ...(pump === undefined ? {} : { part: pump }),
          ...(pump !== undefined && isFirst ? {} : { which: fuse.device }),
          path: ['wiring', 'devices', fuse.device, 'rating'],
          what: `${deviceWord(findings.job, fuse.device)}, the fuse of ${pumpWords(findings.job, fuse.pumps)}, is too small for the current.`,
          figure: { label: 'fuse', ...figure('current', fuse.rating) },
          limit: { label: '1.25 × highest current', ...figure('current', least) },
          why: 'It will blow when the pump works hardest; a bigger fuse also needs wire and pins that carry it.',
          ...(next !== undefined && changes.length > 0
            ? resize(findings.job, changes)
            : {
                cure: 'No blade fuse is large enough, or no wire of the table: split the pumps onto separate relays and fuses.',
              }),
          source: '1.25 × current, common practice; sizes ISO 8820-3',
        },
      ];
    }),
};

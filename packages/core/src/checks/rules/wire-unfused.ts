import { figure } from '../../units/quantity.ts';
import { firstFuseOf } from '../../harness/harness.ts';
import { deviceWord, pumpWords } from '../../wiring/circuit-words.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Live wire to a pump before any fuse. */
export const wireUnfused: Rule = {
  key: 'wire-unfused',
  check: ({ job, wiring }) => {
    const bare = (wiring?.wires ?? []).filter((w) => w.isBare && w.pumps.length > 0 && w.side === 'supply');
    const byPumps = new Map(bare.map((w) => [w.pumps.join(), w]));
    return [...byPumps.values()].map((wire): SnagReport => {
      const own = bare.filter((w) => w.pumps.join() === wire.pumps.join());
      const long = own.reduce((sum, w) => sum + (job.wiring?.wires?.find((x) => x.id === w.wire)?.length?.si ?? 0), 0);
      const hasFuse = (wiring?.fuses ?? []).some((f) => f.pumps.some((p) => wire.pumps.includes(p)));
      const [pump] = wire.pumps.length === 1 ? wire.pumps : [];
      return {
        grade: hasFuse ? 'fix' : 'stop',
        stage: 'wiring',
        ...(pump === undefined ? { which: wire.wire } : { part: pump }),
        path: ['wiring', 'wires', wire.wire, 'length'],
        what: hasFuse
          ? `No fuse stands before ${deviceWord(job, own[0]!.wire)}: it is longer than the lead from the battery may be.`
          : `No fuse stands before ${pumpWords(job, wire.pumps)}.`,
        figure: { label: 'unfused wire', ...figure('length', long), tool: 'tape' },
        limit: { label: 'at most', ...figure('length', firstFuseOf(job.wiring)), tool: 'tape' },
        why: 'A chafed wire there carries all that the battery can give: it glows, and the vehicle burns.',
        cure: 'Put the fuse as near to the battery as it will go, and in every wire that leaves it.',
        source: 'common practice',
      };
    });
  },
};

import { devicesOf, wiresOf } from '../../harness/in-circuit.ts';
import { wireEnds } from '../../harness/wire-kinds.ts';
import { deviceWord } from '../../wiring/circuit-words.ts';
import type { Rule, SnagReport } from '../snag.ts';

const AUTO =
  'Crimp it with the right die and shrink over it. If crimping or soldering is unfamiliar, hand it to an auto electrician.';

/** Wire nuts and bare twists are no joints in a vehicle; solder is for people who know where it breaks. */
export const wireJoint: Rule = {
  key: 'wire-joint',
  check: ({ job }) => {
    const harness = job.wiring;
    if (!harness) return [];
    const base = { stage: 'wiring', source: 'common practice' } as const;
    const ends = wiresOf(harness).flatMap((wire): SnagReport[] =>
      (['startEnd', 'finishEnd'] as const).flatMap((end): SnagReport[] => {
        const kind = wire[end];
        const path = ['wiring', 'wires', wire.id, end] as const;
        const which = `${wire.id}-${end}`;
        if (kind === 'wireNut' || kind === 'twisted')
          return [
            stop(
              base,
              which,
              path,
              `${deviceWord(job, wire.id)} ends in a joint that is none: ${wireEnds[kind].name}.`,
            ),
          ];
        return kind === 'solder' ? [note(base, which, path, `${deviceWord(job, wire.id)} is soldered.`)] : [];
      }),
    );
    const splices = devicesOf(harness).flatMap((d): SnagReport[] => {
      if (d.kind !== 'splice') return [];
      const path = ['wiring', 'devices', d.id, 'made'] as const;
      if (d.made === 'wireNut' || d.made === 'twist')
        return [
          stop(
            base,
            d.id,
            path,
            `${deviceWord(job, d.id)} is no joint: ${d.made === 'twist' ? 'twisted, bare or taped' : 'a wire nut'}.`,
          ),
        ];
      return d.made === 'solder' ? [note(base, d.id, path, `${deviceWord(job, d.id)} is soldered.`)] : [];
    });
    return [...ends, ...splices];
  },
};

type Base = Pick<SnagReport, 'stage' | 'source'>;
const stop = (base: Base, which: string, path: readonly string[], what: string): SnagReport => ({
  ...base,
  grade: 'stop',
  which,
  path,
  what,
  why: 'It shakes loose: the pump cuts out, or the bare end sparks beside fuel.',
  cure: AUTO,
});
const note = (base: Base, which: string, path: readonly string[], what: string): SnagReport => ({
  ...base,
  grade: 'note',
  which,
  path,
  what,
  why: 'Solder makes the wire stiff: it breaks where the stiffness ends unless it is held on both sides.',
  cure: AUTO,
});

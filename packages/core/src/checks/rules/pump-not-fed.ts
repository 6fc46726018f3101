import type { Job } from '../../job/job.ts';
import { partName } from '../../parts/kinds.ts';
import { cutOff } from '../../harness/cut-off.ts';
import { DRIVING } from '../../harness/cut-off-state.ts';
import type { Harness } from '../../harness/harness.ts';
import { pumpField } from '../../wiring/circuit-words.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Pumps that the circuit leaves out, never feeds, or feeds the wrong way round. */
export const pumpNotFed: Rule = {
  key: 'pump-not-fed',
  check: ({ job, wiring }) => {
    if (!wiring || wiring.fault) return [];
    const row = (key: string) => wiring.truth.find((r) => r.key === key)?.pumps ?? {};
    const stands = (key: string) =>
      Object.entries(row(key)).flatMap(([part, runs]) => (runs === 'stands' ? [part] : []));
    const base = { stage: 'wiring', source: 'the circuit as drawn' } as const;
    const never = stands('driving').filter((p) => job.parts[p]);
    return [
      ...(Object.keys(row('driving')).length > 0 ? wiring.undrawn : []).map((part): SnagReport => ({
        ...base,
        grade: 'fix',
        part,
        which: 'undrawn',
        what: `${quotedId(job, part)} is not in the circuit.`,
        why: 'What is not drawn is not sized, not fused and not proved.',
        cure: 'Draw it in, or lay the circuit out anew for the pumps on the run.',
      })),
      ...never.map((part): SnagReport => ({
        ...base,
        grade: 'stop',
        part,
        ...pumpField(job, part),
        what: `${quotedId(job, part)} gets no current while it drives: nothing joins it to feed and earth.`,
        why: 'The engine does not run.',
        cure: 'Follow it from the battery: a wire that ends on nothing, a coil without feed or earth, or an earth that is missing.',
      })),
      ...wiring.backwards.map((part): SnagReport => ({
        ...base,
        grade: 'stop',
        part,
        ...pumpField(job, part),
        which: 'polarity',
        what: `${quotedId(job, part)} is wired the wrong way round: its positive terminal goes to earth.`,
        why: 'It turns backwards, pumps next to nothing and wears out in minutes.',
        cure: 'Change the two wires at the pump over.',
        ...turnedRound(job, part),
      })),
      ...(job.brief.induction === 'injection' ? stands('cranking').filter((p) => !never.includes(p)) : []).map(
        (part): SnagReport => ({
          ...base,
          grade: 'fix',
          part,
          ...pumpField(job, part),
          which: 'cranking',
          what: `${quotedId(job, part)} stands while the engine is cranked.`,
          why: 'An injected engine does not start without pressure, and oil pressure comes too late.',
          cure: 'Use a switch with a second contact fed from terminal 50, or a control unit that runs the pump while it is cranked.',
        }),
      ),
    ];
  },
};

/** The two wires at the pump changed over, offered where that mends it. */
function turnedRound({ wiring, parts }: Job, part: string): Pick<SnagReport, 'act' | 'actLabel'> {
  const device = wiring?.devices?.find((d) => d.kind === 'pumpLoad' && d.part === part)?.id;
  if (!wiring || device === undefined) return {};
  const other = (terminal: string) => (terminal === 'plus' ? 'minus' : 'plus');
  const turned = (wiring.wires ?? []).flatMap((w) =>
    (['from', 'to'] as const).flatMap((end) =>
      w[end]?.device === device ? [{ wire: w.id, end, to: { device, terminal: other(w[end].terminal) } }] : [],
    ),
  );
  const after: Harness = {
    ...wiring,
    wires: (wiring.wires ?? []).map((w) =>
      turned.filter((t) => t.wire === w.id).reduce((x, t) => ({ ...x, [t.end]: t.to }), w),
    ),
  };
  const found = cutOff(after, DRIVING);
  if (found.backwards.has(part) || !found.running.has(part)) return {};
  return {
    act: {
      act: 'setAll',
      title: `change the wires of ${partName(parts[part]!)} over`.slice(0, 120),
      changes: turned.map((t) => ({ path: ['wiring', 'wires', t.wire, t.end], value: t.to })),
    },
    actLabel: 'Change them over',
  };
}

import { figure } from '../../units/quantity.ts';
import { words } from '../../units/words.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { mostDropOf } from '../../harness/harness.ts';
import { SIZED_AT } from '../../wiring/wiring-findings.ts';
import { deviceWord } from '../../wiring/circuit-words.ts';
import { resize } from '../resize.ts';
import { flowOf, partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Findings } from '../../reckoning/findings.ts';
import type { Rule, SnagReport } from '../snag.ts';

const MOST_COST = 0.1; // of the pump's flow, common practice

/** Wiring that takes too much of a pump's voltage. */
export const voltageDrop: Rule = {
  key: 'voltage-drop',
  check: (findings) =>
    partsOfKind(findings.job, 'pump').flatMap((part): SnagReport[] => {
      const at = findings.wiring?.pumps.find((p) => p.part === part.id)?.at[SIZED_AT];
      const cost = flowOf(findings, SIZED_AT, part.id)?.wiringCost;
      if (!at || cost === undefined) return [];
      const drop = at.system - at.volts;
      const limit = mostDropOf(findings.job.wiring);
      const [worst] = at.legs;
      const wire = worst?.isWire ? worst.id : at.legs.find((l) => l.isWire)?.id;
      const base = {
        stage: 'wiring',
        part: part.id,
        ...(wire ? { path: ['wiring', 'wires', wire, 'area'] } : {}),
      } as const;
      const most = worst
        ? ` Most of it, ${formatQuantity('voltage', worst.volts)}, goes in ${deviceWord(findings.job, worst.id)}.`
        : '';
      if (cost > MOST_COST)
        return [
          {
            ...base,
            grade: 'fix',
            what: `The wiring of ${quoted(part)} costs it more than a tenth of its flow.${most}`,
            figure: { label: 'flow lost', ...figure('fraction', cost) },
            limit: { label: 'at most', ...figure('fraction', MOST_COST) },
            why: 'The pump turns slower the harder it works, just when the engine wants most.',
            ...better(findings),
            source: 'computed: pump table, ASTM B258, IEC 60028; limit common practice',
          },
        ];
      if (drop > limit)
        return [
          {
            ...base,
            grade: 'note',
            what: `Supply and earth of ${quoted(part)} take more than ${formatQuantity('voltage', limit)}.${most}`,
            figure: { label: 'drop', ...figure('voltage', drop) },
            limit: { label: 'at most', ...figure('voltage', limit) },
            why: 'Every tenth of a volt costs one to two per cent of flow.',
            ...better(findings),
            source: 'computed; limit common practice',
          },
        ];
      return [];
    }),
};

/** The cheapest set that keeps the drop within its limit, if one does. */
function better({ job, wiring }: Findings): Pick<SnagReport, 'cure' | 'act' | 'actLabel'> {
  const plain = 'Use thicker wire for supply and earth, shorter runs, or a relay close to the pump.';
  const proposal = wiring?.proposal;
  if (!proposal)
    return {
      cure:
        wiring?.impossible?.why === 'contacts'
          ? 'Contacts alone take more than that: clean or change fuse holder, relay and earth, then measure again.'
          : plain,
    };
  return {
    ...resize(
      job,
      proposal.steps.map((s) => s.change),
    ),
    cure: words`The cheapest wire that will do leaves ${figure('voltage', proposal.dropAfter)} of drop and brings ${figure('volumeFlow', proposal.gained)}: see the sizes. A relay close to the pump shortens the run.`,
  };
}

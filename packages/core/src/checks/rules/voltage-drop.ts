import { figure } from '../../units/quantity.ts';
import { settledValue } from '../../job/value.ts';
import { conductor, gaugeArea, wireGauges } from '../../units/wire-gauge.ts';
import { wireResistance } from '../../wiring/wire.ts';
import { passesMore } from '../../wiring/ampacity.ts';
import { flowOf, partsOfKind, quoted } from '../reading.ts';
import type { Rule, SnagReport } from '../snag.ts';
import { type PartOf, partName } from '../../parts/kinds.ts';

const MOST_COST = 0.1; // of the pump's flow, common practice
const MOST_DROP = 0.5; // V over supply and earth at full load, common practice

/** Wiring that takes too much of a pump's voltage. */
export const voltageDrop: Rule = {
  key: 'voltage-drop',
  check: (findings) =>
    partsOfKind(findings.job, 'pump').flatMap((part): SnagReport[] => {
      const at = flowOf(findings, 'fullLoadHot', part.id);
      const system = findings.solution?.points.fullLoadHot.point.voltage;
      if (at?.wiringCost === undefined || at.voltage === undefined || system === undefined) return [];
      const drop = system - at.voltage;
      const base = { stage: 'run', part: part.id, path: ['parts', part.id, 'supplyWire'] } as const;
      // with better wire the pump gets more voltage and takes about as much more current
      const cure = cureFor(part, at.current && (at.current * system) / at.voltage, drop);
      if (at.wiringCost > MOST_COST)
        return [
          {
            ...base,
            grade: 'fix',
            what: `The wiring of ${quoted(part)} costs it more than a tenth of its flow.`,
            figure: { label: 'flow lost', ...figure('fraction', at.wiringCost) },
            limit: { label: 'at most', ...figure('fraction', MOST_COST) },
            why: 'The pump turns slower the harder it works, just when the engine wants most.',
            ...cure,
            source: 'computed: pump table, ASTM B258, IEC 60028; limit common practice',
          },
        ];
      if (drop > MOST_DROP)
        return [
          {
            ...base,
            grade: 'note',
            what: `Supply and earth of ${quoted(part)} take more than half a volt.`,
            figure: { label: 'drop', ...figure('voltage', drop) },
            limit: { label: 'at most', ...figure('voltage', MOST_DROP) },
            why: 'Every tenth of a volt costs one to two per cent of flow.',
            ...cure,
            source: 'computed; limit common practice',
          },
        ];
      return [];
    }),
};

/** The thinnest gauge of supply and earth that keeps the drop within half a volt at the current there is, if one does. */
function cureFor(
  pump: PartOf<'pump'>,
  current: number | undefined,
  drop: number,
): Pick<SnagReport, 'cure' | 'act' | 'actLabel'> {
  const plain = 'Use thicker wire for supply and earth, shorter runs, or a relay close to the pump.';
  const { supplyLength, earthLength } = pump;
  if (current === undefined || !supplyLength || !earthLength) return { cure: plain };
  const temperature = settledValue(pump, 'wireTemperature');
  const contacts = settledValue(pump, 'contacts');
  const enough = [...wireGauges].reverse().find((awg) => {
    const wire = wireResistance(gaugeArea(awg), supplyLength.si + earthLength.si, temperature);
    // nor thinner than what its fuse protects
    const isProtected = !pump.fuse || !passesMore(pump.fuse.si, gaugeArea(awg));
    return isProtected && current * (wire + contacts) <= MOST_DROP && current * (wire + contacts) < drop;
  });
  if (enough === undefined) return { cure: plain };
  const value = conductor(enough);
  return {
    cure: `${enough} AWG for both would keep it to half a volt; a relay close to the pump shortens the run.`,
    act: {
      act: 'setOnParts',
      title: `wire ${partName(pump)} in ${enough} AWG`,
      changes: ['supplyWire', 'earthWire'].map((key) => ({ id: pump.id, key, value })),
    },
    actLabel: `Wire it in ${enough} AWG`,
  };
}

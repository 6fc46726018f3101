import { measured } from '../../job/measured.ts';
import { figure } from '../../units/quantity.ts';
import { circuits } from '../reading.ts';
import type { Rule, SnagReport } from '../snag.ts';
import { isBypass } from '../../parts/kinds.ts';

const MOST_OF_SET = 0.2; // of the regulator's set pressure that the jet may hold back at idle, common practice

/** A siphon that draws from the wrong lobe, a jet that is overpowered by the pump, or one that does not bring across what the engine burns. */
export const siphonJet: Rule = {
  key: 'siphon-jet',
  check: ({ job, hanger: { siphon, pickup } }) => {
    if (!siphon) return [];
    const regulator = circuits(job).parts.find(isBypass);
    const set = regulator?.kind === 'regulator' ? regulator.setPressure?.si : undefined;
    const reports: SnagReport[] = [];
    const cure = siphon.drill
      ? ({
          cure: `Open it to ${Number((siphon.drill * 1000).toFixed(1))} mm: the largest drill that still brings across what the engine burns${siphon.chosenFor === 'cruise' ? ' at cruise' : ''}.`,
          act: { act: 'set', path: ['hanger', 'jetDrill'], value: measured(siphon.drill, 'mm') },
          actLabel: `Drill it to ${Number((siphon.drill * 1000).toFixed(1))} mm`,
        } as const)
      : { cure: 'No drill suits: join the lobes below, or fit a second pump in the far lobe.' };
    const base = {
      stage: 'hanger',
      path: ['hanger', 'jetDrill'],
      source: 'orifice and jet pump equations; common practice',
    } as const;
    if (pickup?.siphonReaches === false)
      reports.push({
        ...base,
        grade: 'stop',
        which: 'reach',
        path: ['hanger', 'farLeft'],
        what: 'The siphon’s far pickup does not stand in the far lobe.',
        why: 'It draws from the lobe that the pump empties anyway.',
        cure: 'Place it over the other lobe’s floor, or correct the side it was measured to.',
      });
    if (set !== undefined && siphon.idle.backPressure > MOST_OF_SET * set)
      reports.push({
        ...base,
        grade: siphon.idle.backPressure > set ? 'stop' : 'fix',
        what: 'The siphon jet is too small for this pump.',
        figure: { label: 'it holds back at idle', ...figure('pressure', siphon.idle.backPressure) },
        limit: { label: 'a fifth of the set pressure', ...figure('pressure', MOST_OF_SET * set) },
        why: 'All the pump delivers passes the jet at idle: the regulator cannot spill and the rail creeps up.',
        ...cure,
      });
    else if (siphon.cruise.suction < siphon.cruise.demand)
      reports.push({
        ...base,
        grade: 'fix',
        what: 'The siphon jet does not bring across what the engine burns.',
        figure: { label: 'it brings at cruise', ...figure('volumeFlow', siphon.cruise.suction) },
        limit: { label: 'the engine burns', ...figure('volumeFlow', siphon.cruise.demand) },
        why: 'The near lobe runs dry while there is fuel in the far one.',
        ...cure,
      });
    return reports;
  },
};

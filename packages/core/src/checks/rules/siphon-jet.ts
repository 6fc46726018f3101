import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import { words } from '../../units/words.ts';
import type { Rule, SnagReport } from '../snag.ts';
import { MOST_OF_SET } from '../../hangers/siphon.ts';

const chosen = { everything: '', fullLoad: ' at full load, cool', cruise: ' at cruise' } as const;

/** A siphon that draws from the wrong lobe, a jet that is overpowered by the pump, or one that does not bring across what the engine burns. */
export const siphonJet: Rule = {
  key: 'siphon-jet',
  check: ({ job, hanger: { siphon, pickup } }) => {
    const { jetDrill, throatDrill } = job.hanger ?? {};
    if (jetDrill && throatDrill && throatDrill.si > 0 && jetDrill.si >= throatDrill.si)
      return [
        {
          grade: 'stop',
          stage: 'hanger',
          which: 'throat',
          path: ['hanger', 'throatDrill'],
          what: 'The jet is as wide as its throat.',
          figure: { label: 'jet', ...figure('length', jetDrill.si) },
          limit: { label: 'throat', ...figure('length', throatDrill.si) },
          why: 'It fills the throat by itself and draws nothing from the far lobe.',
          cure: 'Read both again; a throat of about twice the jet’s drill is usual.',
          source: 'jet pump equations; common practice',
        },
      ];
    if (!siphon) return [];
    const set = siphon.regulated;
    const reports: SnagReport[] = [];
    const cure = siphon.drill
      ? siphon.drill === job.hanger?.jetDrill?.si
        ? { cure: 'Its throat, the siphon tube or the lift must change: no other drill of the set does better.' }
        : ({
            cure: words`Open it to ${figure('length', siphon.drill)}: the largest drill that still brings across what the engine burns${chosen[siphon.chosenFor]}, drilled a little off either way.`,
            act: { act: 'set', path: ['hanger', 'jetDrill'], value: measured(siphon.drill, 'mm') },
            actLabel: words`Drill it to ${figure('length', siphon.drill)}`,
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
    if (siphon.aboveFuel !== undefined)
      reports.push({
        ...base,
        grade: 'fix',
        which: 'air',
        path: ['hanger', 'jetHeight'],
        what: 'The jet blows through air.',
        figure: {
          label: 'above the fuel at the level that it must still run at',
          ...figure('length', siphon.aboveFuel),
        },
        limit: { label: 'at most', ...figure('length', 0) },
        why: 'It sucks air through its mouth, froths the fuel and lifts little from the far lobe.',
        cure: 'Stand it at the floor, beside the pickup but not into it.',
      });
    if (!siphon.isEntered) return reports;
    if (siphon.fullLoadHot.limit === 'cavitation' && siphon.fullLoadHot.suction < siphon.fullLoadHot.demand)
      reports.push({
        ...base,
        grade: 'fix',
        which: 'cavitation',
        what: 'The siphon jet boils hot fuel in its throat.',
        figure: { label: 'it then brings', ...figure('volumeFlow', siphon.fullLoadHot.suction) },
        limit: { label: 'the engine burns', ...figure('volumeFlow', siphon.fullLoadHot.demand) },
        why: 'Vapour fills the throat, and no more fuel comes across however hard the jet blows.',
        ...cure,
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

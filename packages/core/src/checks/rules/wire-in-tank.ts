import { fuelClasses, fuelClassOf, sourceOn, verdictOn, wireCovers } from '../../ratings/material-fuel.ts';
import { devicesOf, wiresOf } from '../../harness/in-circuit.ts';
import { insulations } from '../../harness/wire-kinds.ts';
import { deviceWord } from '../../wiring/circuit-words.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** What lies in the tank and does not stand it: insulation that the fuel dissolves, connectors and joints of no rated kind. */
export const wireInTank: Rule = {
  key: 'wire-in-tank',
  check: ({ job, fuel, wiring }) => {
    const harness = job.wiring;
    if (!wiring || !harness) return [];
    const base = { stage: 'wiring', source: 'common practice' } as const;
    const covers = wiresOf(harness).flatMap((wire): SnagReport[] => {
      if (wire.lies !== 'tank' || !wire.insulation || !fuel) return [];
      const cover = wireCovers[insulations[wire.insulation].cover];
      const kind = fuelClassOf(fuel);
      const verdict = verdictOn(cover, kind, job.materials);
      if (verdict === 'fine') return [];
      const path = ['wiring', 'wires', wire.id, 'insulation'] as const;
      return [
        {
          ...base,
          grade: verdict === 'attacked' ? 'stop' : 'note',
          which: wire.id,
          path,
          what:
            verdict === 'ask'
              ? `Only the maker can say whether ${deviceWord(job, wire.id)} stands this fuel: ${insulations[wire.insulation].name}.`
              : `${deviceWord(job, wire.id)} does not last inside the tank: ${insulations[wire.insulation].name} with ${fuelClasses[kind]}.`,
          why: 'The cover hardens and falls off, and bare wires lie in the vapour.',
          cure: 'Use wire covered with PTFE or ETFE, or the harness made for the hanger.',
          act: { act: 'set', path, value: 'fluoropolymer' },
          actLabel: 'Wire in PTFE or ETFE it is',
          source: sourceOn(cover, kind, job.materials),
        },
      ];
    });
    const joints = devicesOf(harness).flatMap((d): SnagReport[] => {
      if (d.kind === 'connector' && d.place === 'inTank' && d.immersible === false)
        return [
          {
            ...base,
            grade: 'stop',
            which: d.id,
            path: ['wiring', 'devices', d.id, 'immersible'],
            what: `${deviceWord(job, d.id)} lies in the tank and is not made for fuel.`,
            why: 'Its plastic swells and its contacts corrode: it sparks in the vapour when it parts.',
            cure: 'Use the connector made for the hanger, or crimp and shrink with material that stands the fuel.',
          },
        ];
      if (d.kind === 'splice' && d.inTank && d.made !== 'butt' && d.made !== 'terminal')
        return [
          {
            ...base,
            grade: 'stop',
            which: d.id,
            path: ['wiring', 'devices', d.id, 'made'],
            what: `${deviceWord(job, d.id)} lies in the tank and is ${d.made === undefined ? 'of no known kind' : 'no joint for there'}.`,
            why: 'Inside the tank nothing may be bare or work loose.',
            cure: 'Crimp it and shrink fluoropolymer over it, or run the wire through in one piece.',
          },
        ];
      return [];
    });
    return [...covers, ...joints];
  },
};

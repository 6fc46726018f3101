import { figure } from '../../units/quantity.ts';
import { devicesOf } from '../../harness/in-circuit.ts';
import { deviceWord } from '../../wiring/circuit-words.ts';
import type { Rule, SnagReport } from '../snag.ts';

const INSULATED = 1e6; // ohm between a stud and its plate; common practice

/** A stud through the plate that is not insulated from it, or did not prove so. */
export const studLive: Rule = {
  key: 'stud-live',
  check: ({ job }) =>
    job.wiring
      ? devicesOf(job.wiring).flatMap((d): SnagReport[] => {
          if (d.kind !== 'stud') return [];
          const base = {
            grade: 'stop',
            stage: 'wiring',
            which: d.id,
            why: 'A live stud that touches the plate sparks in the tank’s vapour or blows the fuse.',
            cure: 'Sleeve through the plate, a plastic washer on either face, seal, metal washer, nut: all of plastic that the fuel does not attack. Then the meter.',
            source: 'common practice',
          } as const;
          if (d.insulated === false)
            return [
              {
                ...base,
                path: ['wiring', 'devices', d.id, 'insulated'],
                what: `${deviceWord(job, d.id)} goes through the plate bare.`,
              },
            ];
          if (d.proved && d.proved.si < INSULATED)
            return [
              {
                ...base,
                path: ['wiring', 'devices', d.id, 'proved'],
                what: `${deviceWord(job, d.id)} is not insulated from the plate.`,
                figure: { label: 'read', ...figure('resistance', d.proved.si) },
                limit: { label: 'at least', ...figure('resistance', INSULATED) },
              },
            ];
          return [];
        })
      : [],
};

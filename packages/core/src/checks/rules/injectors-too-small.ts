import { figure } from '../../units/quantity.ts';
import { words } from '../../units/words.ts';
import { measured } from '../../fields/measured.ts';
import { poundsPerHour } from '../../units/quick.ts';
import type { Rule } from '../snag.ts';

/** Injectors that have to stand open longer than they can at full load. */
export const injectorsTooSmall: Rule = {
  key: 'injectors-too-small',
  check: ({ injectors }) => {
    if (!injectors || injectors.duty <= injectors.mostDuty) return [];
    const size = Math.ceil(injectors.wantedSize / poundsPerHour(1));
    return [
      {
        grade: injectors.duty > 1 ? 'stop' : 'fix',
        stage: 'brief',
        path: ['brief', 'injectorSize'],
        what:
          injectors.duty > 1
            ? 'The injectors cannot bring what the engine burns at full load.'
            : 'The injectors have too little in hand at full load.',
        figure: { label: 'duty at full load', ...figure('fraction', injectors.duty) },
        limit: { label: 'at most', ...figure('fraction', injectors.mostDuty) },
        why: 'An injector that never shuts meters nothing: the engine runs lean where it makes most power.',
        cure: words`Injectors of ${size} lb/h, or ${figure('pressure', injectors.wantedDrop)} across these.`,
        act: { act: 'set', path: ['brief', 'injectorSize'], value: measured(poundsPerHour(size), 'lb/h') },
        actLabel: `Reckon with ${size} lb/h`,
        source: 'orifice equation; most duty common practice',
      },
    ];
  },
};

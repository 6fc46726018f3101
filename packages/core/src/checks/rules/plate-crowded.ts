import { figure } from '../../units/quantity.ts';
import { mm } from '../../units/quick.ts';
import type { Rule, SnagReport } from '../snag.ts';

const LEAST_LAND = mm(4); // metal beside a stud hole, common practice

/** A ring plate on which ports, spanners or stud holes have no room, or hoses that do not fit above it. */
export const plateCrowded: Rule = {
  key: 'plate-crowded',
  check: ({ hanger: { plate, stand } }) => {
    const reports: SnagReport[] = [];
    const base = { grade: 'fix', stage: 'hanger' } as const;
    const { land = Infinity, rim = Infinity } = plate ?? {};
    if (plate && plate.needed > plate.room)
      reports.push({
        ...base,
        path: ['hanger', 'ports'],
        what: 'The ports do not all fit on the plate with room for a spanner.',
        figure: { label: 'circle they need', ...figure('length', plate.needed) },
        limit: {
          label: plate.boltCircle === undefined ? 'flat of the lid' : 'circle inside the stud nuts',
          ...figure('length', plate.room),
        },
        why: 'Hose ends that can be started by hand cannot be tightened.',
        cure: 'Use smaller hose ends, angled ones of unlike height, or bring two tubes through one fitting.',
        source: 'geometry; spanner head typical, from memory',
      });
    if (Math.min(land, rim) < LEAST_LAND)
      reports.push({
        ...base,
        which: 'studs',
        path: ['hanger', 'boltCircle'],
        what:
          land < rim
            ? 'The stud holes break into the hole of the plate.'
            : 'The stud holes lie too near the plate’s rim.',
        figure: { label: 'metal left', ...figure('length', Math.max(0, Math.min(land, rim))) },
        limit: { label: 'at least', ...figure('length', LEAST_LAND) },
        why: 'The gasket is not pressed there and weeps.',
        cure: 'Move the bolt circle, or choose smaller studs.',
        source: 'geometry; common practice',
      });
    if (stand?.recess !== undefined && stand.recess > 0)
      reports.push({
        ...base,
        which: 'room',
        path: ['hanger', 'roomAbove'],
        what: 'There is no room over the tank for the hoses.',
        figure: { label: 'too little by', ...figure('length', stand.recess) },
        limit: { label: 'about', ...figure('length', mm(50)) },
        why: 'A hose bent under a panel kinks, chafes and cannot be reached.',
        cure: 'Recess the plate or the panel by that much, or use lower hose ends.',
        source: 'common practice',
      });
    return reports;
  },
};

import { assumed } from '../../job/assumption.ts';
import { figure } from '../../units/quantity.ts';
import { words } from '../../units/words.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { circuits } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** A tank that the returning fuel warms until the pump draws vapour, before the drive is over. */
export const fuelOverheats: Rule = {
  key: 'fuel-overheats',
  check: ({ job, drive }) => {
    if (drive?.trouble === undefined || drive.trouble === 0) return []; // at once is a matter of the suction, told there
    const end = drive.steps.at(-1)!;
    const { pumps, engine } = drive.heat;
    return [
      {
        grade: 'fix',
        stage: 'run',
        part: circuits(job).tank?.id,
        what:
          drive.boils === undefined
            ? 'The tank warms up on a drive until the pump comes close to drawing vapour.'
            : 'The tank warms up on a drive until its fuel boils at the pump, and the drive ends there.',
        figure: { label: 'trouble after', ...figure('time', drive.trouble) },
        limit: { label: 'the drive lasts', ...figure('time', assumed(job.assumptions, 'driveTime')) },
        why: words`At the end ${formatQuantity('power', pumps, 'W')} of pump and ${formatQuantity('power', engine, 'W')} of engine heat come back into fuel of ${figure('temperature', end.tank)}.`,
        cure:
          engine > pumps
            ? 'Spill by the tank instead of behind the engine, sleeve the rail and hoses, or control the pump.'
            : 'Use a smaller or a controlled pump, so that less is pumped round, and keep the tank off the exhaust.',
        source: 'computed: heat balance over the drive; margin 1 m, common practice',
      },
    ];
  },
};

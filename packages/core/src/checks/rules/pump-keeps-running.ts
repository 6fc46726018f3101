import type { Job } from '../../job/job.ts';
import { partName } from '../../parts/kinds.ts';
import { rowInWords, truthTable, type CutOffRow } from '../../harness/cut-off.ts';
import { pumpField, partWord } from '../../wiring/circuit-words.ts';
import { inertiaInserted } from '../../wiring/inertia-inserted.ts';
import type { Rule, SnagReport } from '../snag.ts';

const base = { grade: 'stop', source: 'common practice; follow the local code' } as const;
const STALLED = {
  why: 'A stalled engine with a split hose is then fed until the tank is empty.',
  cure: 'Run the relay from the control unit or an oil-pressure switch; if relays are unfamiliar, hand it to an auto electrician.',
} as const;
const CRASH = {
  why: 'A torn line is the usual fire after a collision.',
  cure: 'Fit an inertia switch in the relay’s coil circuit, or use a control unit that cuts the pump when the engine stops turning.',
} as const;

/** A pump must stop when the engine stops and when the vehicle crashes: by the circuit, or by the survey while none is drawn. */
export const pumpKeepsRunning: Rule = {
  key: 'pump-keeps-running',
  check: ({ job, wiring }) => {
    if (!wiring || wiring.truth.every((row) => Object.keys(row.pumps).length === 0)) return bySurvey(job);
    return wiring.pumps.flatMap(({ part }): SnagReport[] => {
      const name = partWord(job, part);
      const say = (row: CutOffRow) => rowInWords(job.wiring ?? {}, row);
      const runs = wiring.truth.filter((row) => row.pumps[part] === 'runs');
      const still = runs.filter((row) => row.wanted === 'stand' && !row.state.crashed && row.failed === undefined);
      const crashed = runs.filter((row) => row.wanted === 'stand' && row.state.crashed);
      const dead = runs.filter((row) => row.wanted === 'stand' && row.failed !== undefined);
      const reports: SnagReport[] = [];
      if (still.length > 0)
        reports.push({
          ...base,
          stage: 'wiring',
          part,
          ...pumpField(job, part),
          what: `“${name}” stays live while the engine does not turn: ${still.map(say).join('; ')}.`,
          ...STALLED,
        });
      else if (crashed.length > 0)
        reports.push({
          ...base,
          stage: 'wiring',
          part,
          which: 'crash',
          ...pumpField(job, part),
          what: `Nothing stops “${name}” in a crash.`,
          ...CRASH,
          ...withSwitch(job, part),
        });
      else if (dead.length > 0)
        reports.push({
          ...base,
          stage: 'wiring',
          part,
          which: 'dead',
          path: ['wiring', 'devices', dead[0]!.failed!, 'deadCloses'],
          what: `“${name}” runs on when the control fails: ${dead.map(say).join('; ')}.`,
          why: 'What has failed cannot stop it: only the fuse does.',
          cure: 'Put a relay before it that an inertia or oil-pressure switch opens as well, or use a control that lets go when it is dead.',
        });
      return reports;
    });
  },
};

function bySurvey({ survey: { stopsWithEngine, crashShutOff } }: Job): SnagReport[] {
  return [
    ...(stopsWithEngine === false
      ? [
          {
            ...base,
            stage: 'survey',
            path: ['survey', 'stopsWithEngine'],
            what: 'The pump stays live when the engine stops.',
            ...STALLED,
          } as const,
        ]
      : []),
    ...(crashShutOff === false
      ? [
          {
            ...base,
            stage: 'survey',
            which: 'crash',
            path: ['survey', 'crashShutOff'],
            what: 'Nothing stops the pump in a crash.',
            ...CRASH,
          } as const,
        ]
      : []),
  ];
}

/** An inertia switch in the coil's feed, offered where the truth table says that it stops the pump. */
function withSwitch({ wiring, parts }: Job, part: string): Pick<SnagReport, 'cure' | 'act' | 'actLabel'> | undefined {
  const after = wiring && inertiaInserted(wiring, part);
  const pump = parts[part];
  if (!after || !pump || truthTable(after).some((row) => row.state.crashed && row.pumps[part] !== 'stands'))
    return undefined;
  return {
    cure: CRASH.cure,
    act: {
      act: 'setAll',
      title: `put an inertia switch in the coil’s feed of ${partName(pump)}`.slice(0, 120),
      changes: [
        { path: ['wiring', 'devices'], value: after.devices },
        { path: ['wiring', 'wires'], value: after.wires },
      ],
    },
    actLabel: 'Put an inertia switch in the coil’s feed',
  };
}

import type { Rule, SnagReport } from '../snag.ts';

/** A pump must stop when the engine stops and when the vehicle crashes. */
export const pumpKeepsRunning: Rule = {
  key: 'pump-keeps-running',
  check: ({ job }) => {
    const { stopsWithEngine, crashShutOff } = job.survey;
    const reports: SnagReport[] = [];
    const base = { grade: 'stop', stage: 'survey', source: 'common practice; follow the local code' } as const;
    if (stopsWithEngine === false)
      reports.push({
        ...base,
        path: ['survey', 'stopsWithEngine'],
        what: 'The pump stays live when the engine stops.',
        why: 'A stalled engine with a split hose is then fed until the tank is empty.',
        cure: 'Run the relay from the control unit or an oil-pressure switch; if relays are unfamiliar, hand it to an auto electrician.',
      });
    if (crashShutOff === false)
      reports.push({
        ...base,
        which: 'crash',
        path: ['survey', 'crashShutOff'],
        what: 'Nothing stops the pump in a crash.',
        why: 'A torn line is the usual fire after a collision.',
        cure: 'Fit an inertia switch in the relay’s coil circuit, or use a control unit that cuts the pump when the engine stops turning.',
      });
    return reports;
  },
};

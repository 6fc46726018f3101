import { figure } from '../../units/quantity.ts';
import { deviceWord, elementName, fieldOf } from '../../wiring/circuit-words.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** A circuit that cannot be: a short, sources against one another, wires that end on nothing. */
export const circuitFault: Rule = {
  key: 'circuit-fault',
  check: ({ job, wiring }) => {
    if (!wiring || !job.wiring) return [];
    const base = { stage: 'wiring', source: 'the circuit as drawn' } as const;
    const { fault } = wiring;
    const name = (id: string) => `“${elementName(job, id)}”`;
    const reports: SnagReport[] = wiring.loose.map((wire) => ({
      ...base,
      grade: 'fix',
      which: wire,
      path: ['wiring', 'wires', wire, 'to'],
      what: `${deviceWord(job, wire)} ends on nothing.`,
      why: 'What is drawn so feeds nothing; on the vehicle it is a bare end.',
      cure: 'Join both its ends, or take it out.',
    }));
    switch (fault?.code) {
      case 'short':
        reports.push({
          ...base,
          grade: 'stop',
          path: fieldOf(job, fault.by[0] ?? fault.source),
          what: `${name(fault.source)} is shorted to earth through ${fault.by.map(name).join(', ')}.`,
          ...(fault.amps !== undefined
            ? { figure: { label: 'with no pump running', ...figure('current', fault.amps) } }
            : {}),
          why: 'The fuse goes at once; without one the wire burns.',
          cure: 'Find the wire that joins feed and earth with nothing between, and take it to where it belongs.',
          hides: 'Voltages and currents cannot be told while it stands.',
        });
        break;
      case 'sourcesOppose':
        reports.push({
          ...base,
          grade: 'stop',
          path: fieldOf(job, fault.sources[0]!),
          what: `${fault.sources.map(name).join(' and ')} press against one another.`,
          ...(fault.amps !== undefined ? { figure: { label: 'between them', ...figure('current', fault.amps) } } : {}),
          why: 'One discharges through the other as fast as the wire lets it: both get hot.',
          cure: 'Keep one source, or part them with an isolator.',
          hides: 'Voltages and currents cannot be told while it stands.',
        });
        break;
      case 'noOperatingPoint':
        reports.push({
          ...base,
          grade: 'stop',
          path: fieldOf(job, fault.load),
          what: `${name(fault.load)} finds no voltage at which it runs.`,
          figure: { label: 'of what it wants it gets', ...figure('fraction', fault.share) },
          limit: { label: 'all', ...figure('fraction', 1) },
          why: 'The less it gets the more it draws, until nothing is left.',
          cure: 'Thicker or shorter wire.',
        });
        break;
      case 'floating':
      case 'noEarth':
      case undefined:
        break;
    }
    return reports;
  },
};

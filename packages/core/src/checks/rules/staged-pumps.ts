import { kindOfDevice, protects } from '../../harness/devices/index.ts';
import type { Findings } from '../../reckoning/findings.ts';
import { deviceWord } from '../../wiring/circuit-words.ts';
import { circuits, partsOfKind, quoted, quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Several pumps: one that stops needs a check valve, and each needs a relay and fuse of its own. */
export const stagedPumps: Rule = {
  key: 'staged-pumps',
  check: ({ job, solution, wiring }) => {
    const run = circuits(job);
    const pumps = partsOfKind(job, 'pump');
    if (run.pumps.length < 2) return [];
    return pumps.flatMap((part): SnagReport[] => {
      const reports: SnagReport[] = [];
      const base = { stage: 'run', part: part.id, source: 'common practice' } as const;
      const path = (key: string) => ['parts', part.id, key] as const;
      if (run.isBeside(part.id) && part.checkValve !== true && (part.runs ?? 'always') !== 'always')
        reports.push({
          ...base,
          grade: 'fix',
          path: path('checkValve'),
          what: `${quoted(part)} has no check valve: while it stands, fuel runs back through it.`,
          ...backflow(solution, part.id),
          why: 'The pump that runs fills the tank through the one that stands, instead of the rail.',
          cure: 'Use a pump with a check valve, or put one behind it.',
          act: { act: 'setOnPart', id: part.id, key: 'checkValve', value: true },
          actLabel: 'It has one',
        });
      const shared = sharedBy(wiring, job, part.id);
      if (shared)
        reports.push({
          ...base,
          grade: 'fix',
          stage: 'wiring',
          path: ['wiring', 'devices', shared.device, 'label'],
          which: 'relay',
          what: `${quoted(part)} shares ${deviceWord(job, shared.device)} with ${quotedId(job, shared.with)}.`,
          why: 'One fuse that blows stops both, and one relay carries the current of both.',
          cure: 'Give each pump a relay and a fuse of its own.',
        });
      return reports;
    });
  },
};

/** A fuse or relay that a pump before it in the circuit uses as well. */
function sharedBy(
  wiring: Findings['wiring'],
  job: Findings['job'],
  part: string,
): { device: string; with: string } | undefined {
  const pumps = wiring?.pumps ?? [];
  const own = pumps.findIndex((p) => p.part === part);
  const isShared = (id: string) =>
    (job.wiring?.devices ?? []).some((d) => d.id === id && (protects(d) || kindOfDevice(d).coil !== undefined));
  for (const other of pumps.slice(0, Math.max(0, own))) {
    const device = pumps[own]!.through.find((id) => other.through.includes(id) && isShared(id));
    if (device) return { device, with: other.part };
  }
  return undefined;
}

function backflow(
  solution: Parameters<Rule['check']>[0]['solution'],
  id: string,
): Pick<SnagReport, 'figure'> | undefined {
  const flows = Object.values(solution?.points ?? {}).flatMap(
    (p) => p?.parts.filter((c) => c.id === id && c.flow < 0).map((c) => -c.flow) ?? [],
  );
  return flows.length > 0 ? { figure: { label: 'runs back', kind: 'volumeFlow', si: Math.max(...flows) } } : undefined;
}

import { figure } from '../../units/quantity.ts';
import { isMore } from '../../harness/ampacity.ts';
import { deviceWord, onWayOf, pumpWords, safeChanges } from '../../wiring/circuit-words.ts';
import { resize } from '../resize.ts';
import type { Findings } from '../../reckoning/findings.ts';
import type { Rule, SnagReport } from '../snag.ts';
import type { WireFinding } from '../../wiring/wiring-findings.ts';
import { capital } from '../../units/capital.ts';

/** A wire that burns before its fuse does, or that what it feeds overloads. One snag for each pump: its weakest wire. */
export const wireTooThin: Rule = {
  key: 'wire-too-thin',
  check(findings) {
    const wires = findings.wiring?.wires ?? [];
    const burns = wires.filter((w) => isOver(w, w.fuse));
    const warm = wires.filter((w) => !burns.includes(w) && isOver(w, w.amps));
    return [
      ...weakest(burns).map((w) => report(findings, w, 'fuse')),
      ...weakest(warm).map((w) => report(findings, w, 'load')),
    ];
  },
};

const isOver = ({ carries }: WireFinding, amps: number | undefined): boolean =>
  carries !== undefined && amps !== undefined && isMore(amps, carries);

/** The one that carries least, of those that feed the same pumps. */
function weakest(wires: readonly WireFinding[]): WireFinding[] {
  const byPumps = new Map<string, WireFinding>();
  for (const wire of wires) {
    const key = wire.pumps.join() || wire.wire;
    const known = byPumps.get(key);
    if (!known || wire.carries! < known.carries!) byPumps.set(key, wire);
  }
  return [...byPumps.values()];
}

function report(findings: Findings, wire: WireFinding, which: 'fuse' | 'load'): SnagReport {
  const { job } = findings;
  const [pump] = wire.pumps.length === 1 ? wire.pumps : [];
  const whose = wire.pumps.length > 0 ? ` of ${pumpWords(job, wire.pumps)}` : '';
  const changes = safeChanges(findings, new Set([wire.wire, ...onWayOf(findings, wire.pumps)]));
  const base = {
    stage: 'wiring',
    ...(pump === undefined ? {} : { part: pump }),
    which: pump === undefined ? `${which}-${wire.wire}` : which,
    path: ['wiring', 'wires', wire.wire, 'area'],
    source:
      'ampacity at 105 °C insulation, typical, from memory: verify; by heat around and bundle; fuse sizes ISO 8820-3',
    ...(changes.length > 0
      ? resize(job, changes)
      : {
          cure: 'Use wire that carries more than the fuse passes, and pins as strong; a bundle apart, or a cooler way.',
        }),
  } as const;
  const limit = { label: 'it carries there', ...figure('current', wire.carries!) };
  if (which === 'fuse')
    return {
      ...base,
      grade: 'stop',
      what: `The fuse${whose} passes more than ${deviceWord(job, wire.wire)} carries.`,
      figure: { label: 'fuse', ...figure('current', wire.fuse!) },
      limit,
      why: 'A short then burns the wire, and what lies beside it, before the fuse goes.',
    };
  return {
    ...base,
    grade: 'fix',
    what: `${capital(deviceWord(job, wire.wire))}${whose} is too thin for its current.`,
    figure: { label: 'most that passes', ...figure('current', wire.amps) },
    limit,
    why: 'It runs hot for hours on end, and its insulation hardens and splits.',
  };
}

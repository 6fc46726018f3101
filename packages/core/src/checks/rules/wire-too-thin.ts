import { conductor } from '../../units/wire-gauge.ts';
import { measured } from '../../job/measured.ts';
import { figure } from '../../units/quantity.ts';
import { partName, type PartOf } from '../../parts/kinds.ts';
import { ampacity, gaugeFor, passesMore } from '../../wiring/ampacity.ts';
import { fuseFor } from '../../wiring/fuse.ts';
import { mostCurrent, partsOfKind, quoted } from '../reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** A wire that burns before its fuse does, or that the pump itself overloads. */
export const wireTooThin: Rule = {
  key: 'wire-too-thin',
  check: (findings) =>
    partsOfKind(findings.job, 'pump').flatMap((part): SnagReport[] => {
      const thinnest = thinnestWire(part);
      if (thinnest === undefined) return [];
      const carries = ampacity(thinnest);
      const current = mostCurrent(findings, part.id);
      const base = { stage: 'run', part: part.id, path: ['parts', part.id, 'supplyWire'], source: 'ampacity at 105 °C insulation, typical, from memory: verify; fuse sizes ISO 8820-3' } as const; // prettier-ignore
      if (part.fuse && passesMore(part.fuse.si, thinnest))
        return [
          {
            ...base,
            grade: 'stop',
            which: 'fuse',
            what: `The fuse of ${quoted(part)} passes more than its wire carries.`,
            figure: { label: 'fuse', ...figure('current', part.fuse.si) },
            limit: { label: 'the thinnest wire carries', ...figure('current', carries) },
            why: 'A short then burns the wire, and what lies beside it, before the fuse goes.',
            ...rewired(part, current),
          },
        ];
      if (current !== undefined && current > carries)
        return [
          {
            ...base,
            grade: 'fix',
            which: 'load',
            what: `The wire of ${quoted(part)} is too thin for its current.`,
            figure: { label: 'highest pump current', ...figure('current', current) },
            limit: { label: 'the thinnest wire carries', ...figure('current', carries) },
            why: 'It runs hot for hours on end, and its insulation hardens and splits.',
            ...rewired(part, current),
          },
        ];
      return [];
    }),
};

/** Area of the thinnest conductor on the way to a pump and back, m2; undefined while none is known. */
export function thinnestWire({ supplyWire, earthWire }: PartOf<'pump'>): number | undefined {
  const areas = [supplyWire, earthWire].flatMap((w) => (w ? [w.si] : []));
  return areas.length > 0 ? Math.min(...areas) : undefined;
}

/** Wire and fuse together: the fuse that the pump's current asks for, and the thinnest wire that it protects. */
export function rewired(
  part: PartOf<'pump'>,
  current: number | undefined,
): Pick<SnagReport, 'cure' | 'act' | 'actLabel'> {
  const plain = 'Use wire that carries more than the fuse passes, and pins as strong.';
  const fuse = current === undefined ? part.fuse?.si : fuseFor(current);
  const awg = fuse === undefined ? undefined : gaugeFor(fuse);
  if (fuse === undefined || awg === undefined)
    return {
      cure: `${plain} No blade fuse or gauge of the table is large enough: split the pumps onto relays of their own.`,
    };
  const value = conductor(awg);
  // what is thick enough stays
  const wires = (['supplyWire', 'earthWire'] as const).filter((key) => (part[key]?.si ?? 0) < value.si);
  const changes = [
    ...(part.fuse?.si === fuse ? [] : [{ id: part.id, key: 'fuse', value: measured(fuse, 'A') }]),
    ...wires.map((key) => ({ id: part.id, key, value })),
  ];
  const words = [...(wires.length > 0 ? [`${awg} AWG`] : []), ...(part.fuse?.si === fuse ? [] : [`a ${fuse} A fuse`])].join(' and '); // prettier-ignore
  return {
    cure: `${words} go together: the fuse at 1.25 times the pump’s highest current, the wire carries more than it passes. Pins must carry as much.`,
    act: changes.length > 0 ? { act: 'setOnParts', title: `wire ${partName(part)} with ${words}`, changes } : undefined,
    actLabel: `Wire it with ${words}`,
  };
}

import { figure } from '../../units/quantity.ts';
import { words, type Words } from '../../units/words.ts';
import { barrels, outsideOf, seals, type Seal } from '../../harness/wire-kinds.ts';
import { deviceWord } from '../../wiring/circuit-words.ts';
import type { Rule, SnagReport } from '../snag.ts';

const range = (seal: Seal): Words =>
  words`${figure('length', seals[seal].least)} to ${figure('length', seals[seal].most)}`;

/** Barrels and seals that do not close on what goes into them. */
export const crimpMisfit: Rule = {
  key: 'crimp-misfit',
  check: ({ job, wiring }) =>
    (wiring?.crimps ?? []).flatMap((c): SnagReport[] => {
      const base = {
        grade: 'fix',
        stage: 'wiring',
        source: 'sizes of common barrels and seals, from memory: verify against their sheet',
      } as const;
      const at = c.end === 'start' ? 'start' : 'finish';
      const place = `at the ${c.end === 'start' ? 'start' : 'end'} of ${deviceWord(job, c.wire)}`;
      const reports: SnagReport[] = [];
      if (c.barrel && c.fit && c.fit !== 'fits') {
        const path = ['wiring', 'wires', c.wire, `${at}Barrel`] as const;
        reports.push({
          ...base,
          which: `${c.wire}-${c.end}`,
          path,
          what: `The barrel ${place} is too ${c.fit === 'loose' ? 'large' : 'small'} for ${c.inBarrel > 1 ? `the ${c.inBarrel} conductors` : 'the conductor'} in it.`,
          figure: { label: 'conductor in it', ...figure('area', c.copper!) },
          limit:
            c.fit === 'loose'
              ? { label: 'it closes on at least', ...figure('area', barrels[c.barrel].least) }
              : { label: 'it takes up to', ...figure('area', barrels[c.barrel].most) },
          why:
            c.fit === 'loose'
              ? 'It closes on air: the wire pulls out, and the joint warms.'
              : 'Strands are cut off to make it go in, and what is left runs hot.',
          cure: c.wants
            ? `Use the barrel for ${barrels[c.wants].name}, and pull at it.`
            : 'Use another terminal: no common barrel closes on that; or part the wires.',
          ...(c.wants
            ? { act: { act: 'set', path, value: c.wants } as const, actLabel: `Barrel for ${barrels[c.wants].name}` }
            : {}),
        });
      }
      if (c.sharesSeal)
        reports.push({
          ...base,
          which: `${c.wire}-${c.end}-shared`,
          path: ['wiring', 'wires', c.wire, `${at}Seal`],
          what: `More than one wire goes through one seal ${place}.`,
          why: 'A seal closes on one round wire: water gets in between two.',
          cure: 'Join the wires behind the connector and bring one in.',
        });
      else if (c.seal && c.sealFit && c.sealFit !== 'fits') {
        const wire = job.wiring?.wires?.find((w) => w.id === c.wire);
        const path = ['wiring', 'wires', c.wire, `${at}Seal`] as const;
        reports.push({
          ...base,
          which: `${c.wire}-${c.end}-seal`,
          path,
          what: `The seal ${place} does not close on the wire.`,
          figure: { label: 'outside of the wire', ...figure('length', wire?.outside?.si ?? outsideOf(wire!.area!.si)) },
          limit:
            c.sealFit === 'loose'
              ? { label: 'it closes on at least', ...figure('length', seals[c.seal].least) }
              : { label: 'it takes up to', ...figure('length', seals[c.seal].most) },
          why: 'Water wicks into the connector, and its pins turn green.',
          cure: c.wantsSeal
            ? words`Use the seal for ${range(c.wantsSeal)}.`
            : 'Use another connector: no common seal closes on that wire.',
          ...(c.wantsSeal
            ? {
                act: { act: 'set', path, value: c.wantsSeal } as const,
                actLabel: words`Seal for ${range(c.wantsSeal)}`,
              }
            : {}),
        });
      }
      return reports;
    }),
};

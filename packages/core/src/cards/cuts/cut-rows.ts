import { hangerTubes } from '../../hangers/hanger-tubes.ts';
import { standIn } from '../../hangers/stack-height.ts';
import type { Job } from '../../job/job.ts';
import { kindOf, partName, propertiesOf, type Part } from '../../parts/kinds.ts';
import { specification } from '../../parts/list-line.ts';
import { lineMaterials } from '../../ratings/line-material.ts';
import { circuitsOf } from '../../run/circuits.ts';
import type { Line } from '../../run/zones.ts';
import type { Say } from '../../units/unit-system.ts';

/** One length to cut. */
export interface CutRow {
  readonly part: string;
  readonly stock: string;
  readonly length: string;
  readonly line: Line;
  readonly note: string;
}

/** Every length of hose and line to cut, in the order of the fuel, then the hanger's tubes. */
export function cutRows(job: Job, say: Say): CutRow[] {
  const run = circuitsOf(job);
  const lines = run.parts.flatMap((part): CutRow[] => {
    const kind = kindOf(part);
    if (!kind.cut || !('length' in propertiesOf(part.kind))) return [];
    const { length, ...unmeasured } = part as Part & { length?: { si: number } };
    return [
      {
        part: partName(part),
        stock: kind.buys(unmeasured, say) ?? '',
        length: length ? say.tape(length.si) : 'not measured',
        line: run.lineOf(part.id),
        note: kind.cut(say),
      },
    ];
  });
  return [...lines, ...tubeRows(job, say)];
}

/** Tubes of the hanger, as they are cut from straight stock. */
function tubeRows(job: Job, say: Say): CutRow[] {
  return hangerTubes(job.hanger ?? {}, standIn(job.hanger, job.survey.tank)).map(
    ({ label, bends, bendRadius, cut }, i): CutRow => {
      const { od, wall, material } = job.hanger!.tubes![i]!;
      return {
        part: `Hanger: ${label}`,
        stock: specification(
          material && lineMaterials[material].name,
          od && `${say('length', od.si)} outside`,
          wall && `wall ${say('length', wall.si)}`,
        ),
        length: cut === undefined ? 'not measured' : say.tape(cut),
        line: 'supply',
        note:
          bends === 0
            ? 'Straight. Deburr, blow out.'
            : `${bends} × 90°${bendRadius === undefined ? '' : ` at ${say('length', bendRadius)}`}; length before bending. Deburr, blow out.`,
      };
    },
  );
}

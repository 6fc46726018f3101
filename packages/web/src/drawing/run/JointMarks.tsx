import type { Assessment } from '@endrel/core/assessment/assess';
import { stateOf, type JointState } from '@endrel/core/joints/chain-plan';
import type { JointFinding } from '@endrel/core/run/joints';
import type { Place, RunGeometry } from './run-drawing.ts';

const SIZE = 3.4;

/** What is drawn at a joint, and the words for it; nothing where it seals or nothing is known of it. */
function markOf(joint: JointFinding): { path: string; colour: string; words: string } | undefined {
  const state: JointState = stateOf(joint);
  const isWrong = joint.meetings.some((m) => m.isKnown && !m.mating.mates);
  if (isWrong || state === 'stale')
    return {
      path: `M${-SIZE} ${-SIZE}L${SIZE} ${SIZE}M${SIZE} ${-SIZE}L${-SIZE} ${SIZE}`,
      colour: 'var(--stop)',
      words: 'does not seal',
    };
  if (state === 'wants')
    return { path: `M${-SIZE} ${-SIZE}H${SIZE}V${SIZE}H${-SIZE}Z`, colour: 'var(--ink-soft)', words: 'wants adapters' };
  if (state === 'chosen')
    return {
      path: `M0 ${-SIZE - 1}L${SIZE + 1} 0L0 ${SIZE + 1}L${-SIZE - 1} 0Z`,
      colour: 'var(--ink)',
      words: 'adapters chosen',
    };
  return undefined;
}

/** The middle of a joint’s line, off its parts. */
function middle(path: readonly Place[]): Place {
  const lengths = path.slice(1).map(([x, y], i) => Math.hypot(x - path[i]![0], y - path[i]![1]));
  let left = lengths.reduce((sum, l) => sum + l, 0) / 2;
  for (const [i, length] of lengths.entries()) {
    if (left <= length && length > 0) {
      const [from, to, share] = [path[i]!, path[i + 1]!, left / length];
      return [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share];
    }
    left -= length;
  }
  return path.at(-1)!;
}

/** A square where a joint wants adapters, a diamond where they are chosen, a cross where what is known of it does not seal. */
export function JointMarks({
  geometry,
  assessment,
  onJoint,
}: {
  geometry: RunGeometry;
  assessment: Assessment | undefined;
  /** A joint was pressed, at that place of the drawing. */
  onJoint(joint: string, at: Place): void;
}) {
  const byId = new Map(assessment?.findings.joints.map((j) => [j.id, j]));
  return (
    <g fill="var(--sheet)" strokeWidth={1.5}>
      {geometry.wires.map(({ joint, path }) => {
        const found = byId.get(joint);
        const mark = found && markOf(found);
        const [x, y] = middle(path);
        const words = `joint${found ? ` ${found.number}` : ''}${mark ? `: ${mark.words}` : ''}`;
        return (
          <g
            key={joint}
            transform={`translate(${x} ${y})`}
            className="cursor-pointer"
            role="button"
            tabIndex={-1}
            data-joint={joint}
            aria-label={`${words}, press to add`}
            onClick={() => onJoint(joint, [x, y])}
          >
            <title>{`${words}; press to put a part in here`}</title>
            <circle r={9} fill="transparent" stroke="none" />
            {mark && <path d={mark.path} stroke={mark.colour} />}
          </g>
        );
      })}
    </g>
  );
}

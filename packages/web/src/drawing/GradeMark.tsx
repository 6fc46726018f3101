import type { Grade } from '@endrel/core/checks/snag';

const names: Record<Grade, string> = { stop: 'Stop', fix: 'Fix', note: 'Note' };

/** Shape and colour of a grade: octagon, triangle, circle. Centred, 16 across; inside another drawing or on its own. */
export function GradeShape({ grade }: { grade: Grade }) {
  const colour = `var(--${grade})`;
  if (grade === 'stop')
    return <path d="M-3.300 -8H3.300L8 -3.300V3.300L3.300 8H-3.300L-8 3.300V-3.300Z" fill={colour} />;
  if (grade === 'fix') return <path d="M0 -8 8.500 7H-8.500Z" fill={colour} />;
  return <circle r={6} fill="none" stroke={colour} strokeWidth={2.6} />;
}

export function GradeMark({ grade }: { grade: Grade }) {
  return (
    <svg
      viewBox="-9 -9 18 18"
      width="1.05em"
      height="1.05em"
      role="img"
      aria-label={names[grade]}
      className="inline-block shrink-0 align-[-0.15em]"
    >
      <GradeShape grade={grade} />
    </svg>
  );
}

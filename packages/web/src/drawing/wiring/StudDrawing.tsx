const parts = [
  ['nut', 'nut, outside'],
  ['washer', 'metal washer'],
  ['ring', 'ring terminal of the wire'],
  ['nut', 'nut that holds the stud'],
  ['washer', 'metal washer'],
  ['plastic', 'washer of plastic that stands the fuel'],
  ['plate', 'plate; the sleeve goes through its hole'],
  ['seal', 'seal'],
  ['plastic', 'washer of plastic'],
  ['washer', 'metal washer'],
  ['nut', 'head or nut, inside the tank'],
  ['ring', 'ring terminal of the wire in the tank'],
  ['nut', 'nut with thread lock that stands fuel'],
] as const;

const half: Record<(typeof parts)[number][0], number> = {
  nut: 22,
  washer: 30,
  ring: 34,
  plastic: 38,
  plate: 110,
  seal: 34,
};
const thick: Record<(typeof parts)[number][0], number> = {
  nut: 14,
  washer: 5,
  ring: 6,
  plastic: 8,
  plate: 14,
  seal: 8,
};
const fill: Record<(typeof parts)[number][0], string> = {
  nut: 'var(--hair)',
  washer: 'var(--hair-strong)',
  ring: 'var(--electrical)',
  plastic: 'var(--sheet)',
  plate: 'var(--ink-soft)',
  seal: 'var(--ink)',
};

const PITCH = 15; // so that no two words touch

/** The order of washers on an insulated stud, from outside to inside: no metal of it touches the plate. */
export function StudDrawing() {
  const middle = 130;
  const tall = parts.map(([kind]) => Math.max(thick[kind] + 4, PITCH));
  const rows = parts.map(([kind, name], i) => ({ kind, name, i, y: 16 + tall.slice(0, i).reduce((a, b) => a + b, 0) }));
  const y = 16 + tall.reduce((a, b) => a + b, 0);
  const plate = rows.find((r) => r.kind === 'plate')!;
  return (
    <svg
      viewBox={`0 0 460 ${y + 16}`}
      className="block h-auto w-full max-w-[30rem]"
      role="img"
      aria-label={`An insulated stud, from outside to inside: ${parts.map(([, name]) => name).join('; ')}.`}
    >
      <rect x={middle - 7} y={4} width={14} height={y} fill="var(--hair)" stroke="var(--ink)" />
      {rows.map((r) => (
        <g key={r.i}>
          {r.kind === 'plate' ? (
            <>
              <rect x={middle - half.plate} y={r.y} width={half.plate - 15} height={thick.plate} fill={fill.plate} />
              <rect x={middle + 15} y={r.y} width={half.plate - 15} height={thick.plate} fill={fill.plate} />
            </>
          ) : (
            <rect
              x={middle - half[r.kind]}
              y={r.y}
              width={2 * half[r.kind]}
              height={thick[r.kind]}
              fill={fill[r.kind]}
              stroke="var(--ink)"
              strokeWidth={1.2}
            />
          )}
          <path d={`M${middle + half[r.kind] + 3} ${r.y + thick[r.kind] / 2}H250`} stroke="var(--hair-strong)" />
          <text x={254} y={r.y + thick[r.kind] / 2 + 4} fontSize={11.5} fill="var(--ink)">
            {r.name}
          </text>
        </g>
      ))}
      {/* the sleeve between stud and plate */}
      {[-13, 7].map((side) => (
        <rect
          key={side}
          x={middle + side}
          y={plate.y - 3}
          width={6}
          height={thick.plate + 6}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={1.2}
        />
      ))}
    </svg>
  );
}

import type { LaidOut } from '@endrel/core/layouts/compare-layouts';
import { pointNames, type PointKey } from '@endrel/core/job/points';
import { useDisplayUnits } from '../../units/display-units.tsx';

const [WIDTH, HEIGHT, TOP, BOTTOM] = [150, 112, 8, 96];
const letters: Partial<Record<PointKey, string>> = {
  idle: 'i',
  cruise: 'c',
  fullLoad: 'f',
  fullLoadHot: 'h',
  overrun: 'o',
  hotRestart: 'r',
};

/** Pa, lowest and highest of all layouts that are compared: every column has the same axis. */
export type Range = readonly [number, number];

/** What the injectors see at each operating point, against what they want there (hollow), on an axis common to all layouts. */
export function PressureDots({ laid, range: [low, high] }: { laid: LaidOut; range: Range }) {
  const units = useDisplayUnits();
  const entries = Object.entries(laid.pressures) as [PointKey, { has: number; wants: number }][];
  if (entries.length === 0) return <span className="text-ink-soft">–</span>;
  const y = (pressure: number) => BOTTOM - ((pressure - low) / Math.max(high - low, 1)) * (BOTTOM - TOP);
  const x = (i: number) => 14 + (i * (WIDTH - 28)) / Math.max(entries.length - 1, 1);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block h-auto w-full max-w-48"
      role="img"
      aria-label={entries
        .map(
          ([key, p]) =>
            `${pointNames[key]}: ${units.show('pressure', p.has)}, wants ${units.show('pressure', p.wants)}`,
        )
        .join('. ')}
    >
      <path d={`M4 ${TOP}V${BOTTOM}H${WIDTH - 4}`} fill="none" stroke="var(--hair-strong)" />
      {entries.map(([key, { has, wants }], i) => {
        const off = Math.abs(has - wants) > 0.05 * wants;
        return (
          <g key={key}>
            <path
              d={`M${x(i)} ${y(wants)}V${y(has)}`}
              stroke={off ? 'var(--fix)' : 'var(--ink-soft)'}
              strokeWidth={1.6}
            />
            <circle cx={x(i)} cy={y(wants)} r={4.4} fill="var(--sheet)" stroke="var(--ink-soft)" strokeWidth={1.2} />
            <circle cx={x(i)} cy={y(has)} r={3} fill={off ? 'var(--fix)' : 'var(--ink)'} />
            <text x={x(i)} y={HEIGHT - 3} textAnchor="middle" fontSize={11} fill="var(--ink-soft)">
              {letters[key]}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** A figure with a bar, on an axis common to all layouts. */
export function Bar({ text, share }: { text: string; share: number }) {
  return (
    <div className="relative pb-1.5">
      <span className="figure text-lg">{text}</span>
      <span
        className="absolute bottom-0 left-0 block h-1.5 bg-supply"
        style={{ width: `${Math.max(0, Math.min(1, share)) * 100}%` }}
      />
    </div>
  );
}

import { toDegrees } from '@endrel/core/units/quick';
import type { PickupMap } from '@endrel/core/tanks/pickup';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { bounded } from '../../components/Boundary.tsx';

const CELL = { width: 34, height: 22 };
const LEFT = 74;
const TOP = 34;
const LONGEST = 400; // px of the longest line of words

/** Litres left when the pickup uncovers, over pitch and roll: the darker, the more stays behind. */
export const PickupMapDrawing = bounded('The map of the pickup', PickupMapDrawingDrawn);

function PickupMapDrawingDrawn({ map, bucket, full }: { map: PickupMap; bucket: boolean; full: number }) {
  const units = useDisplayUnits();
  const rows = bucket && map.withBucket ? map.withBucket : map.without;
  const wholeDegrees = (rad: number) => Math.round(toDegrees(rad));
  const width = LEFT + Math.max(CELL.width * map.rolls.length, LONGEST) + 8;
  const height = TOP + CELL.height * map.pitches.length + 44;
  const most = Math.max(...rows.flat());
  return (
    <figure className="sheet">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`Litres left when the pickup uncovers, from ${units.show('volume', Math.min(...rows.flat()))} to ${units.show('volume', most)}, over pitch and roll of 30° each way`}
      >
        {map.pitches.map((pitch, i) => (
          <g key={pitch}>
            <text
              x={LEFT - 8}
              y={TOP + CELL.height * (i + 0.7)}
              textAnchor="end"
              fontSize={11}
              fill="var(--ink-soft)"
              className="figure"
            >
              {wholeDegrees(pitch) > 0 ? '+' : ''}
              {wholeDegrees(pitch)}°
            </text>
            {map.rolls.map((roll, j) => {
              const left = rows[i]![j]!;
              const share = Math.min(1, left / full);
              return (
                <g key={roll}>
                  <rect
                    x={LEFT + CELL.width * j}
                    y={TOP + CELL.height * i}
                    width={CELL.width - 1}
                    height={CELL.height - 1}
                    fill="var(--supply)"
                    fillOpacity={0.06 + 0.84 * share}
                  />
                  <text
                    x={LEFT + CELL.width * (j + 0.5) - 0.5}
                    y={TOP + CELL.height * (i + 0.68)}
                    textAnchor="middle"
                    fontSize={11}
                    className="figure"
                    fill={share > 0.5 ? 'var(--sheet)' : 'var(--ink)'}
                  >
                    {(left * 1000).toFixed(left < 0.01 ? 1 : 0)}
                  </text>
                </g>
              );
            })}
          </g>
        ))}
        {map.rolls.map((roll, j) =>
          j % 2 === 0 ? (
            <text
              key={roll}
              x={LEFT + CELL.width * (j + 0.5)}
              y={TOP - 6}
              textAnchor="middle"
              fontSize={11}
              fill="var(--ink-soft)"
              className="figure"
            >
              {wholeDegrees(roll) > 0 ? '+' : ''}
              {wholeDegrees(roll)}°
            </text>
          ) : null,
        )}
        <text x={LEFT} y={14} fontSize={11.5} fill="var(--ink)">
          roll: + fuel runs to the left (right-hand corner, {Math.tan(map.rolls.at(-1)!).toFixed(2)} g at 30°)
        </text>
        <text
          transform={`translate(18 ${TOP + (CELL.height * map.pitches.length) / 2}) rotate(-90)`}
          textAnchor="middle"
          fontSize={11.5}
          fill="var(--ink)"
        >
          pitch: + fuel runs forward (braking, downhill)
        </text>
        <text x={LEFT} y={height - 22} fontSize={11.5} fill="var(--ink)">
          litres left in the tank when the pickup uncovers
        </text>
        <text x={LEFT} y={height - 7} fontSize={11.5} fill="var(--ink-soft)">
          {bucket ? 'with the bucket: down to its inlet' : 'without a bucket'}; a slope or corner that lasts
        </text>
      </svg>
    </figure>
  );
}

import { Plus, X } from 'lucide-react';
import { useRef, useState } from 'react';
import type { TracedPoint } from '@endrel/core/job/tank';
import { anchorOf } from '../../components/anchor.ts';
import { QuantityField } from '../../components/QuantityField.tsx';
import { useAct, useJob, useSession } from '../../session/session-context.tsx';
import { typedText } from '../../session/typed-text.ts';

const PATH = ['survey', 'tank', 'section'];
const NEW_ROW = 'new row';
const across = { kind: 'length', name: 'distance across', unit: 'mm', minimum: -3, maximum: 5 } as const;
const up = { kind: 'length', name: 'height', unit: 'mm', minimum: -3, maximum: 5 } as const;

/** Corners of a traced section, one after the other round it: across from a fixed edge, up from the floor. */
export function SectionField() {
  const { tank } = useJob().survey;
  const act = useAct();
  const points = tank.section ?? [];
  const session = useSession();
  const [entry, setEntry] = useState<Partial<TracedPoint>>({});
  const cells = useRef<Partial<TracedPoint>>({}); // as of the last key: two cells may be left before the row is drawn again
  const [entryKey, setEntryKey] = useState(0);
  const put = (next: TracedPoint[], group?: string) =>
    act({ act: 'set', path: PATH, value: next.length === 0 ? undefined : next }, group);
  const enter = (part: Partial<TracedPoint>) => {
    const next = (cells.current = { ...cells.current, ...part });
    if (next.across && next.up) {
      cells.current = {};
      put([...points, { across: next.across, up: next.up }]);
      typedText.dropUnder(session.id, [...PATH, NEW_ROW]);
      setEntry({});
      setEntryKey((n) => n + 1);
    } else setEntry(next);
  };
  return (
    <fieldset id={anchorOf(PATH)} className="py-1">
      <legend className="font-semibold">Traced section</legend>
      <p className="text-[0.88rem] text-ink-soft">
        Go round it once. Across is counted from one fixed edge, left positive; up from the tank floor.
      </p>
      <table className="w-full max-w-md text-left">
        <thead className="label">
          <tr>
            <th className="w-8 font-normal">Corner</th>
            <th className="font-normal">Across</th>
            <th className="font-normal">Up</th>
            <th>
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {points.map((point, i) => (
            <tr key={i}>
              <td className="figure">{i + 1}</td>
              {(['across', 'up'] as const).map((key) => (
                <td key={key} className="pr-1">
                  <QuantityField
                    compact
                    field={{ ...(key === 'across' ? across : up), name: `corner ${i + 1} ${key}` }}
                    path={[...PATH, i, key]}
                    value={point[key]}
                    onChange={(value, group) =>
                      put(value ? points.with(i, { ...point, [key]: value }) : points.toSpliced(i, 1), group)
                    }
                  />
                </td>
              ))}
              <td>
                <button
                  type="button"
                  className="quiet"
                  aria-label={`Remove corner ${i + 1}`}
                  onClick={() => put(points.toSpliced(i, 1))}
                >
                  <X size={14} aria-hidden />
                </button>
              </td>
            </tr>
          ))}
          <tr key={`entry-${entryKey}`}>
            <td className="text-ink-soft">
              <Plus size={14} aria-hidden />
            </td>
            <td className="pr-1">
              <QuantityField
                compact
                patient
                field={{ ...across, name: 'new corner across' }}
                path={[...PATH, NEW_ROW, 'across']}
                isOfNewRow
                value={entry.across}
                onChange={(v) => enter({ across: v })}
              />
            </td>
            <td className="pr-1">
              <QuantityField
                compact
                patient
                field={{ ...up, name: 'new corner up' }}
                path={[...PATH, NEW_ROW, 'up']}
                isOfNewRow
                value={entry.up}
                onChange={(v) => enter({ up: v })}
              />
            </td>
            <td />
          </tr>
        </tbody>
      </table>
    </fieldset>
  );
}

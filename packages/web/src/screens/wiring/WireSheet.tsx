import { useMemo } from 'react';
import { choice, type Property } from '@endrel/core/fields/property';
import { wireProperties, type Wire } from '@endrel/core/harness/harness';
import { endChoices, endKey, endOfKey } from '@endrel/core/wiring/wire-list';
import { Sheet, type SheetChange, type SheetRow } from '../../components/Sheet.tsx';
import { useAct } from '../../session/session-context.tsx';
import { useWiring } from './use-wiring.ts';

const { area, length, lies, insulation, startEnd, finishEnd, marking } = wireProperties;
const measured = { area, length, lies, insulation, startEnd, finishEnd, marking };

/** What the cells of a wire hold: its ends as keys of one list. */
const cellsOf = (wire: Wire) => ({
  ...wire,
  from: wire.from && endKey(wire.from),
  to: wire.to && endKey(wire.to),
});

/** Every wire in a row of its own: twenty are measured without opening twenty forms. */
export function WireSheet() {
  const { harness, say } = useWiring();
  const act = useAct();
  const ends = JSON.stringify(endChoices(harness)); // the same text as long as no device changes: the cells are not drawn again
  const columns = useMemo((): Record<string, Property> => {
    const options = JSON.parse(ends) as Record<string, string>;
    return { ...measured, from: choice('from', options), to: choice('to', options) };
  }, [ends]);
  const wires = (harness.wires ?? []).filter((wire) => wire.stands !== 'out');
  const change = ({ row, key, value }: SheetChange) => {
    const isEnd = key === 'from' || key === 'to';
    return { path: ['wiring', 'wires', row, key], value: isEnd && typeof value === 'string' ? endOfKey(value) : value };
  };
  const rows = wires.map((wire): SheetRow => ({
    id: wire.id,
    name: say(wire.id),
    path: ['wiring', 'wires', wire.id],
    values: cellsOf(wire),
  }));
  return (
    <Sheet
      label="Wires"
      columns={columns}
      rows={rows}
      onChange={(changed, group) => act({ act: 'set', ...change(changed) }, group)}
      onChanges={(changes, title) => act({ act: 'setAll', title, changes: changes.map(change) })}
    />
  );
}

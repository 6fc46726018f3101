import { wireProperties } from '@endrel/core/wiring/harness';
import { Sheet, type SheetRow } from '../../components/Sheet.tsx';
import { useAct } from '../../session/session-context.tsx';
import { useWiring } from './use-wiring.ts';

const { area, length, lies, insulation, startEnd, finishEnd, marking } = wireProperties;
const columns = { area, length, lies, insulation, startEnd, finishEnd, marking };

/** Every wire in a row of its own: twenty are measured without opening twenty forms. */
export function WireSheet() {
  const { harness, say } = useWiring();
  const act = useAct();
  const wires = (harness.wires ?? []).filter((wire) => wire.stands !== 'out');
  const at = (id: string, key: string) => ['wiring', 'wires', id, key];
  const rows = wires.map((wire): SheetRow => ({ id: wire.id, name: say(wire.id), path: ['wiring', 'wires', wire.id], values: wire })); // prettier-ignore
  return (
    <Sheet
      label="Wires"
      columns={columns}
      rows={rows}
      onChange={({ row, key, value }, group) => act({ act: 'set', path: at(row, key), value }, group)}
      onChanges={(changes, title) => act({ act: 'setAll', title, changes: changes.map(({ row, key, value }) => ({ path: at(row, key), value })) })} // prettier-ignore
    />
  );
}

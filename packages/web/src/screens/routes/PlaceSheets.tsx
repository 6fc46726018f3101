import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Property } from '@endrel/core/fields/property';
import { pointProperties, zoneProperties } from '@endrel/core/job/routes';
import { Sheet, type SheetRow } from '../../components/Sheet.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';

type Rows = readonly ({ readonly id: string; readonly label?: string } & Record<string, unknown>)[];

/** Points or zones of the map, a row each. */
export function PlaceSheet({ of }: { of: 'points' | 'zones' }) {
  const routes = useJob().routes;
  const act = useAct();
  const path: FieldPath = ['routes', of];
  const all = (of === 'points' ? pointProperties : zoneProperties) as Readonly<Record<string, Property>>;
  const columns = Object.fromEntries(
    Object.entries(all).filter(([, p]) => p.type !== 'pumpTable' && p.type !== 'port'),
  );
  const one = of === 'points' ? 'Point' : 'Zone';
  const rows = ((routes?.[of] ?? []) as unknown as Rows).map((row, i): SheetRow => ({
    id: row.id,
    name: row.label?.trim() || `${one} ${i + 1}`,
    path: [...path, row.id],
    values: row,
  }));
  if (rows.length === 0) return null;
  const at = (id: string, key: string) => [...path, id, key];
  return (
    <Sheet
      label={of === 'points' ? 'Points' : 'Zones'}
      columns={columns}
      rows={rows}
      onChange={({ row, key, value }, group) => act({ act: 'set', path: at(row, key), value }, group)}
      onChanges={(changes, title) =>
        act({ act: 'setAll', title, changes: changes.map(({ row, key, value }) => ({ path: at(row, key), value })) })
      }
    />
  );
}

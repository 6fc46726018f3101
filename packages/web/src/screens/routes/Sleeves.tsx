import type { FieldPath } from '@endrel/core/fields/field-path';
import { sleeveProperties, type LineRoute } from '@endrel/core/job/routes';
import { RowsField } from '../../components/RowsField.tsx';

/** Stretches of a line that a sleeve or a shield keeps from heat. */
export function Sleeves({ path, rows }: { path: FieldPath; rows: LineRoute['sleeves'] }) {
  return (
    <RowsField
      title="Heat sleeves and shields"
      one="a sleeve or shield"
      properties={sleeveProperties}
      path={[...path, 'sleeves']}
      rows={rows}
      most={20}
      empty="None. A shield lets a line come to 25 mm from an exhaust; both count in the heat of the run."
      columns="sm:grid-cols-3"
    />
  );
}

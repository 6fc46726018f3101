import type { FieldPath } from '@endrel/core/fields/field-path';
import { usualBender } from '@endrel/core/routes/bender';
import { benderProperties } from '@endrel/core/job/bender';
import type { RoutedLine } from '@endrel/core/routes/lines';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { ShopBenders } from './ShopBenders.tsx';

type BenderFieldsProps = {
  readonly path: FieldPath;
  readonly bender: object | undefined;
  readonly line: RoutedLine;
};

/** The bender in use: one of the shop's, or as it is measured here. */
export function BenderFields({ path, bender = {}, line }: BenderFieldsProps) {
  const units = useDisplayUnits();
  const outside = 2 * line.radius;
  return (
    <section aria-label="Bender">
      <h3 className="border-b border-hair pb-0.5 font-semibold">Bender</h3>
      <ShopBenders path={path} bender={bender} outside={outside} />
      <PropertyGrid
        properties={benderProperties}
        path={path}
        values={bender}
        only={['label', 'radius', 'mark', 'before', 'between', 'set', 'got', 'arm', 'thick']}
        columns="sm:grid-cols-3"
      />
      <p className="label">
        Not measured: radius {units.tape(usualBender.radius * outside)}, {units.tape(usualBender.before * outside)}{' '}
        before a bend, {units.tape(usualBender.between * outside)} between bends,{' '}
        {Math.round((usualBender.overbend - 1) * 100)} % over-bent: {usualBender.source}.
      </p>
    </section>
  );
}

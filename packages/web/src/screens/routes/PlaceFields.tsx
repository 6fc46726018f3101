import { useMemo } from 'react';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { placeProperties, type Place } from '@endrel/core/parts/place';
import { choice, type Property } from '@endrel/core/fields/property';
import type { PointRow } from '@endrel/core/job/routes';
import { PropertyField } from '../../components/PropertyField.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';

const NO_POINTS: readonly PointRow[] = [];

/** What a place may be measured from: any point but itself; the datum goes without saying. */
export function useFromProperty(itself?: string): Property {
  const points = useJob().routes?.points ?? NO_POINTS;
  const names = points
    .filter((p) => p.id !== itself)
    .map((p, i) => [p.id, p.label?.trim() ? p.label : `point ${i + 1}`] as const);
  const key = JSON.stringify(names);
  return useMemo(
    () =>
      choice('from', Object.fromEntries(JSON.parse(key) as (readonly [string, string])[]), {
        unsaid: 'the datum',
      }),
    [key],
  );
}

interface PlaceFieldsProps {
  readonly path: FieldPath;
  readonly place: Place | undefined;
  /** The point that this place is of, which it cannot be measured from. */
  readonly itself?: string;
}

/** Where something is: from what, and so much rearward, to the left and up. */
export function PlaceFields({ path, place, itself }: PlaceFieldsProps) {
  const act = useAct();
  const from = useFromProperty(itself);
  const fields: readonly (readonly [string, Property])[] = [['from', from], ...Object.entries(placeProperties)];
  return (
    <div className="grid gap-x-3 sm:grid-cols-4">
      {fields.map(([key, property]) => (
        <PropertyField
          key={key}
          property={property}
          path={[...path, key]}
          value={(place as Readonly<Record<string, unknown>> | undefined)?.[key]}
          brief
          onChange={(value, group) => act({ act: 'set', path: [...path, key], value }, group)}
        />
      ))}
    </div>
  );
}

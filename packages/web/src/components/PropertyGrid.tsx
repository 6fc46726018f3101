import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Property } from '@endrel/core/fields/property';
import { useAct, useNeeds } from '../session/session-context.tsx';
import { PropertyField } from './PropertyField.tsx';

interface PropertyGridProps {
  readonly properties: Readonly<Record<string, Property>>;
  /** Where in the job the object with these properties is. */
  readonly path: FieldPath;
  readonly values: object;
  readonly only?: readonly string[];
  readonly without?: readonly string[];
  readonly columns?: string;
}

/** Fields of an object outside the run, each an act on the job. */
export function PropertyGrid({
  properties,
  path,
  values,
  only,
  without,
  columns = 'sm:grid-cols-2',
}: PropertyGridProps) {
  const { paths: needed } = useNeeds();
  const act = useAct();
  const keys = (only ?? Object.keys(properties)).filter((key) => !without?.includes(key));
  return (
    <div className={`grid gap-x-6 ${columns}`}>
      {keys.map((key) => {
        const at = [...path, key];
        return (
          <PropertyField
            key={key}
            property={properties[key]!}
            path={at}
            value={(values as Record<string, unknown>)[key]}
            needed={needed.has(at.join('/'))}
            onChange={(value, group) => act({ act: 'set', path: [...at], value }, group)}
          />
        );
      })}
    </div>
  );
}

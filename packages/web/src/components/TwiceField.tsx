import { useState } from 'react';
import { ofTakes, spreadOf, type Measured, type Take } from '@endrel/core/fields/measured';
import type { QuantityProperty } from '@endrel/core/fields/property';
import { useDisplayUnits } from '../units/display-units.tsx';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { QuantityField } from './QuantityField.tsx';

interface TwiceFieldProps {
  readonly property: QuantityProperty;
  readonly value: Measured | undefined;
  readonly needed?: boolean;
  readonly anchor: string;
  readonly path: FieldPath;
  onChange(value: Measured | undefined, group: string): void;
}

/** A measurement worth taking twice: both takes are kept, their mean is reckoned with, and their spread is shown. */
export function TwiceField({ property, value, needed, anchor, path, onChange }: TwiceFieldProps) {
  const units = useDisplayUnits();
  const [asked, setAsked] = useState(false);
  const guide = property.guide!;
  const [first, second]: (Take | undefined)[] = value?.takes ?? [value, undefined];
  const say = (si: number) => (property.field.tool === 'tape' ? units.tape(si) : units.show(property.field.kind, si));
  const spread = value && spreadOf(value);
  return (
    <div>
      <QuantityField
        field={property.field}
        value={first}
        typical={property.typical}
        hint={property.hint}
        mark={guide.mark}
        needed={needed ?? property.needed}
        anchor={anchor}
        path={path}
        onChange={(take, group) => onChange(take ? ofTakes(take, second) : second && ofTakes(second), group)}
      />
      {first && (asked || second) ? (
        <QuantityField
          field={{ ...property.field, name: `${property.field.name}, second take` }}
          path={[...path, 'second take']}
          value={second}
          onChange={(take, group) => onChange(ofTakes(first, take), group)}
        />
      ) : (
        first && (
          <button
            type="button"
            className="relative z-10 float-right -mt-6 min-h-[24px] min-w-[36px] text-[0.8rem] text-ink-soft underline max-sm:mt-0 max-sm:min-h-11"
            aria-label={`Measure ${property.name} again`}
            onClick={() => setAsked(true)}
          >
            again
          </button>
        )
      )}
      {value && spread !== undefined && (
        <p className={`text-[0.8rem] ${spread > guide.tolerance ? 'text-fix' : 'text-ink-soft'}`}>
          Mean {say(value.si)}, spread {say(spread)}.
          {spread > guide.tolerance &&
            ` More than ${say(guide.tolerance)}: measure a third time and correct the one that is off.`}
        </p>
      )}
    </div>
  );
}

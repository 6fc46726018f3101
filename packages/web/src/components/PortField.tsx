import { portForm, portFormKeys, type PortFormKey } from '@endrel/core/fittings/port-form';
import { portSize, portSizes } from '@endrel/core/fittings/port-size';
import type { Port } from '@endrel/core/fittings/port';
import { capital } from '@endrel/core/units/capital';

/** Forms that a part of the run or a fitting can have; what is made on a hose or a tube is chosen with its adapter. */
const choosable = portFormKeys.filter((form) => form !== 'hoseEnd' && form !== 'tubeEnd');

/** Form, size, gender and swivel of a port; unknown until a form is chosen. */
export function PortField({
  label,
  anchor,
  value,
  onChange,
}: {
  label: string;
  anchor: string;
  value: Port | undefined;
  onChange(value: Port | undefined): void;
}) {
  const choose = (change: Partial<Port>) => {
    const form = change.form ?? value?.form ?? 'flare37';
    const sizes = Object.keys(portSizes(form));
    const size =
      change.size ?? (value && sizes.includes(value.size) ? value.size : sizes[Math.min(3, sizes.length - 1)]!);
    const gender = portForm(form).only ?? change.gender ?? value?.gender ?? 'male';
    const swivel = change.swivel ?? value?.swivel;
    onChange({ ...value, form, size, gender, swivel: swivel ? true : undefined });
  };
  const name = capital(label);
  return (
    <fieldset className="py-1" id={anchor}>
      <legend className="label">{name}</legend>
      <div className="flex flex-wrap gap-1">
        <select
          aria-label={`${name}: form`}
          className={`input w-auto! min-w-[9.5rem] flex-1 ${value ? '' : 'italic text-ink-soft'}`}
          value={value?.form ?? ''}
          onChange={(e) =>
            e.target.value === '' ? onChange(undefined) : choose({ form: e.target.value as PortFormKey })
          }
        >
          <option value="">not given</option>
          {choosable.map((form) => (
            <option key={form} value={form}>
              {portForm(form).name}
            </option>
          ))}
        </select>
        {value && (
          <>
            <select
              aria-label={`${name}: size`}
              className="input w-auto!"
              value={value.size}
              onChange={(e) => choose({ size: e.target.value })}
            >
              {Object.keys(portSizes(value.form)).map((size) => (
                <option key={size} value={size}>
                  {sayWithThread(value.form, size)}
                </option>
              ))}
            </select>
            {portForm(value.form).only === undefined && (
              <select
                aria-label={`${name}: gender`}
                className="input w-auto!"
                value={`${value.gender}${value.swivel ? ' swivel' : ''}`}
                onChange={(e) =>
                  choose({
                    gender: e.target.value.startsWith('male') ? 'male' : 'female',
                    swivel: e.target.value.endsWith('swivel'),
                  })
                }
              >
                <option value="male">male</option>
                <option value="female">female</option>
                <option value="female swivel">female, swivel</option>
                <option value="male swivel">male, swivel</option>
              </select>
            )}
          </>
        )}
      </div>
      <div className="min-h-[1.15rem]" />
    </fieldset>
  );
}

/** “−6 (9/16-18)” */
function sayWithThread(form: PortFormKey, size: string): string {
  const thread = portSize(form, size)?.thread?.designation.replace('x', '×');
  return thread && thread !== size ? `${size} (${thread})` : size;
}

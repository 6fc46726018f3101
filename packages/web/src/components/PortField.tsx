import { portForms, type Port, type PortForm } from '@endrel/core/fittings/port';
import { formSizes } from '@endrel/core/fittings/thread';
import { capital } from './capital.ts';

/** Form, size and gender of a port; unknown until a form is chosen. */
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
    const sizes = Object.keys(formSizes[form]);
    const size =
      change.size ?? (value && sizes.includes(value.size) ? value.size : sizes[Math.min(3, sizes.length - 1)]!);
    onChange({ form, size, gender: change.gender ?? value?.gender ?? 'male' });
  };
  const name = capital(label);
  return (
    <fieldset className="py-1" id={anchor}>
      <legend className="label">{name}</legend>
      <div className="flex gap-1">
        <select
          aria-label={`${name}: form`}
          className={`input ${value ? '' : 'italic text-ink-soft'}`}
          value={value?.form ?? ''}
          onChange={(e) => (e.target.value === '' ? onChange(undefined) : choose({ form: e.target.value as PortForm }))}
        >
          <option value="">not given</option>
          {Object.entries(portForms).map(([form, text]) => (
            <option key={form} value={form}>
              {text}
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
              {Object.entries(formSizes[value.form]).map(([size, thread]) => (
                <option key={size} value={size}>
                  {thread && thread !== size ? `${size} (${thread})` : size}
                </option>
              ))}
            </select>
            <select
              aria-label={`${name}: gender`}
              className="input w-auto!"
              value={value.gender}
              onChange={(e) => choose({ gender: e.target.value as Port['gender'] })}
            >
              <option value="male">male</option>
              <option value="female">female</option>
            </select>
          </>
        )}
      </div>
      <div className="min-h-[1.15rem]" />
    </fieldset>
  );
}

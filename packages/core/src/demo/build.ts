import type { Component } from '../job/component.ts';
import type { Measured } from '../job/measured.ts';
import type { Port, PortForm } from '../fittings/port.ts';
import { toSi, unitById } from '../units/unit-table.ts';

export { pumpClasses } from '../pumps/library.ts';

/** A measured value in the unit it was read in. */
export const in_ =
  (unit: string) =>
  (value: number): Measured => ({ si: toSi(value, unitById(unit)), unit });
export const mm = in_('mm');
export const inch = in_('in');
export const kPa = in_('kPa');
export const bar = in_('bar');
export const psi = in_('psi');
export const hp = in_('hp');
export const kW = in_('kW');
export const lph = in_('L/h');
export const um = in_('µm');
export const volt = in_('V');
export const amp = in_('A');
export const percent = in_('%');
export const litre = in_('L');
export const bsfc = in_('lb/(hp·h)');
export const minute = in_('min');
export const ohm = in_('Ω');
export const plain = in_('');
export const degree = in_('°');

export const male = (form: PortForm, size: string): Port => ({ form, size, gender: 'male' });
export const female = (form: PortForm, size: string): Port => ({ form, size, gender: 'female' });

export const component = <K extends Component['kind']>(
  kind: K,
  id: string,
  rest: Omit<Extract<Component, { kind: K }>, 'kind' | 'id'> = {} as never,
): Component => ({ kind, id, ...rest });

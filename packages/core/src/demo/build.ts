import type { Part, PartKind, PartOf } from '../parts/kinds.ts';
import { throughPorts } from '../acts/graph-edit.ts';
import type { Joint } from '../parts/joint.ts';
import type { PortRef } from '../parts/port.ts';

import type { Measured } from '../fields/measured.ts';
import type { Port } from '../fittings/port.ts';
import type { PortFormKey } from '../fittings/port-form.ts';
import { toSi, unitById } from '../units/unit-table.ts';
import { conductor } from '../units/wire-gauge.ts';

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

export const awg = conductor;

export const male = (form: PortFormKey, size: string): Port => ({ form, size, gender: 'male' });
export const female = (form: PortFormKey, size: string): Port => ({ form, size, gender: 'female' });

export const part = <K extends PartKind>(
  kind: K,
  id: string,
  rest: Omit<PartOf<K>, 'kind' | 'id'> = {} as never,
): Part => ({ kind, id, ...rest }) as unknown as Part;

interface Laid {
  parts: Record<string, Part>;
  joints: Record<string, Joint>;
}

/**
 * A run from its parts and the ways that fuel takes: `tank-1.pickup-1 sock-1 pump-1 …`. A part in the middle is passed from its
 * inlet to its outlet unless its ports are named, as `rail-1.in.out`; at either end of a way stands a part and its port.
 *
 * @param clamps - what holds a hose at both ends. @param known - what is known of joints besides, by id.
 */
export function lay(
  parts: readonly Part[],
  ways: readonly string[],
  clamps: Readonly<Record<string, Joint['clamp']>> = {},
  known: Readonly<Record<string, Partial<Joint>>> = {},
): Laid {
  const byId = Object.fromEntries(parts.map((p) => [p.id, p]));
  const joints: Record<string, Joint> = {};
  for (const way of ways) {
    let at: PortRef | undefined;
    for (const stop of way.trim().split(/\s+/)) {
      const [id = '', inlet, outlet] = stop.split('.');
      const ends =
        inlet && outlet ? ([inlet, outlet] as const) : inlet ? ([inlet, inlet] as const) : throughPorts(byId[id]!)!;
      if (at) {
        const joint = `${id}-${ends[0]}`;
        const clamp = clamps[at.part] ?? clamps[id];
        joints[joint] = {
          id: joint,
          a: at,
          b: { part: id, port: ends[0] },
          ...(clamp ? { clamp } : {}),
          ...known[joint],
        };
      }
      at = { part: id, port: ends[1] };
    }
  }
  return { parts: byId, joints };
}

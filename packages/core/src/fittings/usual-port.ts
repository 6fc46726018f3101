import { mm } from '../units/quick.ts';
import { portForm, type PortFormKey } from './port-form.ts';
import { NIPPLE, portSize, portSizes } from './port-size.ts';
import type { Port } from './port.ts';

/** Size of a form whose hole, or whose tube or hose, is nearest. @param by - `bore` the hole through it, `nominal` what it goes with. */
export function nearestSize(form: PortFormKey, by: 'bore' | 'nominal', value: number): string {
  const sizes = Object.keys(portSizes(form));
  const off = (size: string) => Math.abs(portSize(form, size)![by] - value);
  return sizes.reduce((best, size) => (off(size) < off(best) - mm(0.01) ? size : best));
}

/** A port as it usually is, until it is looked at. */
export const usual = (form: PortFormKey, size: string, gender?: Port['gender']): Port => ({
  form,
  size,
  gender: gender ?? portForm(form).only ?? 'male',
});

/** By the hole through it, m; of the given size while that is unknown. */
export const usualByBore = (
  form: PortFormKey,
  bore: number | undefined,
  otherwise: string,
  gender?: Port['gender'],
): Port => usual(form, bore === undefined ? otherwise : nearestSize(form, 'bore', bore), gender);

/** How hose is held on what it goes over. */
export type HoseHold = 'clamped' | 'rubber' | 'ptfe';

/** Clamped hose goes by its bore, hose for hose ends by its dash size, PTFE hose with ends of its own. */
export function usualHose(bore: number | undefined, hold: HoseHold): Port {
  if (bore === undefined) return usual('hose', hold === 'clamped' ? '5/16' : hold === 'ptfe' ? '−6 PTFE' : '−6');
  const sizes = Object.keys(portSizes('hose')).filter((size) =>
    hold === 'clamped' ? isClampedSize(size) : hold === 'ptfe' ? size.endsWith('PTFE') : /^−\d+$/.test(size),
  );
  const boreOf = (size: string) => portSize('hose', size)!.bore + (hold === 'clamped' ? 0 : NIPPLE);
  const off = (size: string) => Math.abs(boreOf(size) - bore);
  return usual(
    'hose',
    sizes.reduce((best, size) => (off(size) < off(best) ? size : best)),
  );
}
const isClampedSize = (size: string) => !size.startsWith('−');

/** Hose that is pushed over a barb or a bead and clamped, rather than held by an end of its own. */
export const isClampedHose = (port: Port): boolean => port.form === 'hose' && isClampedSize(port.size);

/** What a port meets, as far as it decides how such a port usually is. */
export interface Meets {
  /** Hose that is pushed over it. */
  readonly hose?: Port;
  /** What is joined there lies in the tank. */
  readonly isInTank: boolean;
  /** How the joint is held, once that is known. */
  readonly clamp?: string;
}
/** A port that opens into the fuel or the air of the tank: nothing is screwed there. */
export type UsualPort = Port | 'fuel';

/** A barb or a bead of the hose's size where hose goes over it, else what it is otherwise. */
export const heldHose = ({ hose }: Meets, form: 'barb' | 'bead', otherwise: Port): Port =>
  hose ? usual(form, hose.size) : otherwise;

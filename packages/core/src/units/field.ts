import type { NamedSizeKey } from './named-sizes.ts';
import type { QuantityKind, Tool } from './quantity.ts';

/** What one quantity field accepts: its kind, hard limits, and the range in which nobody would ask twice. All SI. */
export interface QuantityField {
  readonly kind: QuantityKind;
  /** The field's name in a sentence: "tank depth". */
  readonly name: string;
  readonly unit: string;
  /** Outside these a value is impossible and refused. Absent minimum means zero; negatives need an explicit one. */
  readonly minimum?: number;
  readonly maximum?: number;
  /** Outside these a value is possible but asked about. */
  readonly likely?: readonly [number, number];
  /** Which sizes may be given by their name here, such as `-6`; absent: a leading minus is a sign. */
  readonly named?: NamedSizeKey;
  /** What a length is measured with: on a tape inches are fractions, on calipers decimals. */
  readonly tool?: Tool;
  /** One step of the arrow keys, in `unit`. */
  readonly step?: number;
}

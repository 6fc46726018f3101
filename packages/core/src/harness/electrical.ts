import { Interned } from '../memory/interned.ts';
import type { Harness } from './harness.ts';

/** What is called, written on, crimped to or seen of wires and devices: no current depends on it. */
export const CARRIES_NO_CURRENT: readonly string[] = [
  'label',
  'note',
  'colour',
  'marking',
  'startEnd',
  'startBarrel',
  'startSeal',
  'finishEnd',
  'finishBarrel',
  'finishSeal',
  'outside',
  'face',
  'cavities',
];
const cut = new Set(CARRIES_NO_CURRENT);

const bare = <T extends object>(row: T): T =>
  Object.fromEntries(Object.entries(row).filter(([key]) => !cut.has(key))) as T;
const circuits = new Interned();

/** The circuit alone: the same object for harnesses that differ in nothing that carries current. */
export const electricalOf = (harness: Harness): Harness =>
  circuits.of(harness, () => ({
    devices: (harness.devices ?? []).map(bare),
    wires: (harness.wires ?? []).map(bare),
  })) as Harness;

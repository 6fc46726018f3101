import type { Device, DeviceKind, DeviceOf } from '../harness/devices/index.ts';
import { freshRowId } from '../harness/fresh-row.ts';
import type { Harness, Wire } from '../harness/harness.ts';

type Given<K extends DeviceKind> = Omit<DeviceOf<K>, 'id' | 'kind'>;

/** Devices and wires put together in code: templates, old jobs, demo jobs, tests. */
export class HarnessBuild {
  readonly #devices: Device[];
  readonly #wires: Wire[];
  readonly #rest: Harness;

  /** @param onto - what stands already. */
  constructor(onto: Harness = {}) {
    const { devices = [], wires = [], ...rest } = onto;
    this.#devices = [...devices];
    this.#wires = [...wires];
    this.#rest = rest;
  }

  /** A new device. @returns its id. */
  device<K extends DeviceKind>(kind: K, given: Given<K> = {} as Given<K>): string {
    const id = freshRowId(this.#devices, kind);
    this.#devices.push({ ...given, id, kind } as unknown as Device);
    return id;
  }

  /** One of that kind that stands already, else a new one. */
  only<K extends DeviceKind>(kind: K, given?: Given<K>): string {
    return this.#devices.find((d) => d.kind === kind && d.stands !== 'out')?.id ?? this.device(kind, given);
  }

  /** Wires along terminals, `device:terminal` each: from the first to the second, and so on by pairs. */
  wire(from: string, to: string, given: Omit<Wire, 'id' | 'from' | 'to'> = {}): string {
    const id = freshRowId(this.#wires, 'wire');
    this.#wires.push({ ...given, id, from: endOf(from), to: endOf(to) });
    return id;
  }

  get harness(): Harness {
    return { ...this.#rest, devices: this.#devices, wires: this.#wires };
  }
}

const endOf = (at: string) => {
  const [device = '', terminal = ''] = at.split(':');
  return { device, terminal };
};

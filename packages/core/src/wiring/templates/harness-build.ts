import { deviceKinds, type Device, type DeviceKind, type DeviceOf } from '../devices/index.ts';
import type { Harness, Wire } from '../harness.ts';

type Given<K extends DeviceKind> = Omit<DeviceOf<K>, 'id' | 'kind'>;
const dashed = (name: string) => name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);

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
    const id = this.#fresh(dashed(deviceKinds[kind].kind), this.#devices);
    this.#devices.push({ ...given, id, kind } as unknown as Device);
    return id;
  }

  /** One of that kind that stands already, else a new one. */
  only<K extends DeviceKind>(kind: K, given?: Given<K>): string {
    return this.#devices.find((d) => d.kind === kind && d.stands !== 'out')?.id ?? this.device(kind, given);
  }

  /** Wires along terminals, `device:terminal` each: from the first to the second, and so on by pairs. */
  wire(from: string, to: string, given: Omit<Wire, 'id' | 'from' | 'to'> = {}): string {
    const id = this.#fresh('wire', this.#wires);
    this.#wires.push({ ...given, id, from: endOf(from), to: endOf(to) });
    return id;
  }

  get harness(): Harness {
    return { ...this.#rest, devices: this.#devices, wires: this.#wires };
  }

  #fresh(stem: string, rows: readonly { id: string }[]): string {
    for (let n = 1; ; n++) if (!rows.some((r) => r.id === `${stem}-${n}`)) return `${stem}-${n}`;
  }
}

const endOf = (at: string) => {
  const [device = '', terminal = ''] = at.split(':');
  return { device, terminal };
};

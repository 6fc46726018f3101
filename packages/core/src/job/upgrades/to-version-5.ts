import type { Document } from './document.ts';

/**
 * Version 4 held a pump's wires, fuse and relay on the pump; version 5 holds the circuit beside the run: what was measured becomes
 * battery, fuse, relay, wires and an earth point for each such pump.
 *
 * The one figure for fuse, relay and contacts stands at the fuse, with nothing at the others, so that the voltage stays what it
 * was; wires of no length stand for what was measured with it.
 */
export function toVersion5(document: Document): Document {
  const { parts } = document;
  if (!isRecord(parts)) return { ...document, schemaVersion: 5 };
  // where one is said to share, those of which nothing is said share with it
  const isShared = Object.values(parts).some(
    (part) => isRecord(part) && part.kind === 'pump' && part.ownRelay === false,
  );
  const drawn = new Drawn(isRecord(document.survey) ? document.survey : {}, isShared);
  const changed = Object.fromEntries(
    Object.entries(parts).map(([id, part]) => {
      if (!isRecord(part) || part.kind !== 'pump') return [id, part];
      if (part.aside !== true) drawn.pump(id, part);
      return [id, Object.fromEntries(Object.entries(part).filter(([key]) => !MOVED.includes(key)))];
    }),
  );
  return { ...document, schemaVersion: 5, parts: changed, ...drawn.wiring };
}

const SUPPLIED = ['supplyWire', 'supplyLength', 'earthWire', 'earthLength', 'contacts', 'fuse', 'ownRelay'];
const MOVED = [...SUPPLIED, 'wireTemperature', 'wireCover', 'sensorShielded'];
const WIRED = SUPPLIED.slice(0, 4);

const OLD_CONTACTS = { si: 0.02, unit: 'Ω' }; // what stood in for contacts in version 4
const WARMER_BY = 10; // K of the copper over what is around it, as version 5 reckons
const COVERS: Record<string, string> = { pvc: 'pvc105', nylon: 'nylon', fluoropolymer: 'fluoropolymer' };
const NO_OHMS = { si: 0, unit: 'Ω' };
const NO_LENGTH = { length: { si: 0, unit: 'm' } };

const isRecord = (value: unknown): value is Document =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const known = (record: Document): Document =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined));

class Drawn {
  readonly #survey: Document;
  readonly #isShared: boolean;
  readonly #devices = new Map<string, Document>();
  readonly #wires = new Map<string, Document>();

  constructor(survey: Document, isShared: boolean) {
    this.#survey = survey;
    this.#isShared = isShared;
  }

  get wiring(): Document {
    if (this.#devices.size === 0) return {};
    return { wiring: { devices: [...this.#devices.values()], wires: [...this.#wires.values()] } };
  }

  pump(id: string, pump: Document): void {
    const has = (keys: readonly string[]) => keys.some((key) => pump[key] !== undefined);
    if (has([...SUPPLIED, 'wireCover'])) this.#supply(id, pump, has(WIRED));
    if (typeof pump.sensorShielded === 'boolean') this.#sensor(pump.sensorShielded);
  }

  #supply(id: string, pump: Document, isWired: boolean): void {
    // names are cut to what an id may be
    const own = (name: string) => `${name}-${id}`.slice(0, 40);
    const [fuse, relay] =
      this.#isShared && pump.ownRelay !== true ? ['fuse-1', 'relay-1'] : [own('fuse'), own('relay')];
    this.#device('battery-1', 'battery', { resistance: NO_OHMS });
    const resistance = pump.contacts ?? (isWired ? OLD_CONTACTS : undefined);
    this.#device(fuse, 'fuse', {
      rating: pump.fuse,
      resistance,
      note: resistance && 'With relay and contacts together.',
    });
    this.#device(relay, 'relay', { resistance: NO_OHMS });
    this.#device(own('load'), 'pumpLoad', { part: id });
    this.#device(own('earth'), 'earthPoint', { resistance: NO_OHMS });
    this.#wire(`feed-${fuse}`.slice(0, 40), ['battery-1', 'plus'], [fuse, 'in'], NO_LENGTH);
    this.#wire(`fused-${fuse}`.slice(0, 40), [fuse, 'out'], [relay, '30'], NO_LENGTH);
    const temperature =
      isRecord(pump.wireTemperature) && typeof pump.wireTemperature.si === 'number'
        ? { si: pump.wireTemperature.si - WARMER_BY, unit: pump.wireTemperature.unit }
        : undefined;
    const supply = { use: 'pump', area: pump.supplyWire, length: pump.supplyLength, temperature };
    const back = { use: 'earth', area: pump.earthWire, length: pump.earthLength, temperature };
    if (pump.place === 'inTank') {
      const plate = own('plate');
      this.#device(plate, 'connector', { resistance: NO_OHMS, place: 'bulkhead' });
      this.#wire(own('supply'), [relay, '87'], [plate, 'in'], supply);
      this.#wire(own('inside'), [plate, 'out'], [own('load'), 'plus'], {
        ...NO_LENGTH,
        use: 'pump',
        lies: 'tank',
        insulation: COVERS[String(pump.wireCover)],
      });
    } else this.#wire(own('supply'), [relay, '87'], [own('load'), 'plus'], supply);
    this.#wire(own('back'), [own('load'), 'minus'], [own('earth'), 'point'], back);
    this.#coil(relay);
  }

  /** As the survey said what stops the pump; unsaid, the coil is left open: how it is switched is then asked for. */
  #coil(relay: string): void {
    const { stopsWithEngine, crashShutOff } = this.#survey;
    if (typeof stopsWithEngine !== 'boolean') return;
    const crashInput = typeof crashShutOff === 'boolean' ? crashShutOff : undefined;
    this.#device('key-switch-1', 'keySwitch');
    this.#device('control-unit-1', 'controlUnit', { output: 'earths', crashInput });
    this.#device('earth-point-1', 'earthPoint', { label: 'Earth of the control unit' });
    this.#wire('wire-key', ['battery-1', 'plus'], ['key-switch-1', '30']);
    this.#wire('wire-unit', ['key-switch-1', '15'], ['control-unit-1', 'feed']);
    this.#wire('wire-unit-earth', ['control-unit-1', 'earth'], ['earth-point-1', 'point'], { use: 'earth' });
    this.#wire(`coil-${relay}`.slice(0, 40), ['key-switch-1', '15'], [relay, '86'], { use: 'coil' });
    this.#wire(
      `output-${relay}`.slice(0, 40),
      [relay, '85'],
      stopsWithEngine ? ['control-unit-1', 'pump'] : ['earth-point-1', 'point'],
      { use: 'coil' },
    );
  }

  #sensor(isShielded: boolean): void {
    this.#device('control-unit-1', 'controlUnit', { output: 'earths' });
    this.#device('sensor-1', 'pressureSensorPlug');
    const more = { use: 'signal', shield: isShielded ? 'oneEnd' : 'none' };
    this.#wire('sensor-supply', ['control-unit-1', 'sensorSupply'], ['sensor-1', 'supply'], more);
    this.#wire('sensor-signal', ['sensor-1', 'signal'], ['control-unit-1', 'signal'], more);
    this.#wire('sensor-earth', ['sensor-1', 'earth'], ['control-unit-1', 'sensorEarth'], more);
  }

  #device(id: string, kind: string, more: Document = {}): void {
    if (!this.#devices.has(id)) this.#devices.set(id, known({ id, kind, ...more }));
  }

  #wire(id: string, from: readonly string[], to: readonly string[], more: Document = {}): void {
    const end = ([device, terminal]: readonly string[]) => ({ device, terminal });
    if (!this.#wires.has(id)) this.#wires.set(id, known({ id, from: end(from), to: end(to), ...more }));
  }
}

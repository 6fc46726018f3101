import { onForget } from './once-for.ts';

const MOST = 48; // contents that are kept of one kind

/** Objects of one kind, told apart by what is in them: of two that hold the same it gives back the first. */
export class Interned {
  #known = new WeakMap<object, unknown>();
  readonly #byText = new Map<string, unknown>();

  constructor() {
    onForget(() => {
      this.#known = new WeakMap();
      this.#byText.clear();
    });
  }

  /** @param make - of an object that was not met before: plain data, the same for the same content. */
  of(held: unknown, make: (held: object) => unknown = (same) => same): unknown {
    if (typeof held !== 'object' || held === null) return held;
    const known = this.#known.get(held);
    if (known !== undefined) return known;
    const made = make(held);
    const text = JSON.stringify(made);
    const first = this.#byText.get(text) ?? made;
    this.#byText.delete(text);
    if (this.#byText.size >= MOST) this.#byText.delete(this.#byText.keys().next().value!);
    this.#byText.set(text, first); // the last used goes last
    this.#known.set(held, first);
    return first;
  }
}

let last = 0;
const ids = new WeakMap<object, number>();
/** A short name for a value: the same for the same object, and for equal texts and numbers. */
export function nameOfValue(value: unknown): string {
  if (typeof value === 'function' || (typeof value === 'object' && value !== null)) {
    let id = ids.get(value);
    if (id === undefined) ids.set(value, (id = ++last));
    return `#${id}`;
  }
  return JSON.stringify(value) ?? '-';
}

/**
 * What a step takes of a part of the job: the rest is not there for it, so that what it makes can depend on nothing else. In a test
 * that guards reads, asking for what was cut away throws.
 */
export interface Cut {
  of(held: unknown): unknown;
}

let isGuarding = false;
/** For tests: from now on what a cut leaves throws when it is asked for what was cut away. What is remembered has to be forgotten. */
export const guardReads = (on: boolean): void => void (isGuarding = on);

type Held = Record<string, unknown>;

/** What every object is asked for by the language, by JSON and by those who compare it. */
const ASKED_OF_ALL = new Set<PropertyKey>([
  'toJSON',
  'then',
  'constructor',
  'length',
  'nodeType',
  '$$typeof',
  'inspect',
  'asymmetricMatch',
]);

/** @param isCut - whether a name was cut away. */
export function guarded<T extends object>(left: T, isCut: (key: string) => boolean, what: string): T {
  if (!isGuarding) return left;
  return new Proxy(left, {
    get(target, key, receiver) {
      if (typeof key === 'string' && !Object.hasOwn(target, key) && !ASKED_OF_ALL.has(key) && isCut(key))
        throw new Error(`“${key}” of ${what} is read, and not said to be`);
      return Reflect.get(target, key, receiver) as unknown;
    },
  });
}

const isHeld = (held: unknown): held is Held => typeof held === 'object' && held !== null;

/** Of an object the fields that are kept, each whole or as its own cut leaves it. */
function leaving(keeps: (key: string) => boolean, within: Readonly<Record<string, Cut | true>>, what: string): Cut {
  const cut = (key: string, value: unknown) => {
    const own = Object.hasOwn(within, key) ? within[key]! : true;
    return own === true ? value : own.of(value);
  };
  return {
    of(held) {
      if (!isHeld(held)) return held;
      const kept = Object.entries(held).filter(([key]) => keeps(key));
      const left: Held = Object.fromEntries(kept.map(([key, value]) => [key, cut(key, value)]));
      return guarded(left, (key) => !keeps(key), what);
    },
  };
}

/** Those fields alone. */
export function only(...keys: readonly string[]): Cut {
  const kept = new Set(keys);
  return leaving((key) => kept.has(key), {}, keys.join(', '));
}

/** All but those fields. @param within - cuts of fields that stay. */
export function without(keys: readonly string[], within: Readonly<Record<string, Cut>> = {}): Cut {
  const gone = new Set(keys);
  return leaving((key) => !gone.has(key), within, 'a record');
}

/** Fields by name, each cut by itself or, where it says `true`, whole; those not named are cut away. */
export const fields = (shape: Readonly<Record<string, Cut | true>>): Cut =>
  leaving((key) => Object.hasOwn(shape, key), shape, Object.keys(shape).join(', '));

/** Every member of a record or list cut alike; each is cut once, however often it is met. */
export function each(cut: Cut): Cut {
  let made = new WeakMap<object, unknown>();
  let guarding = isGuarding;
  const one = (member: unknown): unknown => {
    if (!isHeld(member)) return member;
    if (guarding !== isGuarding) {
      made = new WeakMap();
      guarding = isGuarding;
    }
    const known = made.get(member);
    if (known !== undefined) return known;
    const left = cut.of(member);
    made.set(member, left);
    return left;
  };
  return {
    of: (held) => {
      if (Array.isArray(held)) return (held as unknown[]).map(one);
      return isHeld(held) ? Object.fromEntries(Object.entries(held).map(([key, member]) => [key, one(member)])) : held;
    },
  };
}

let turn = 0; // of forgetting
const told: (() => void)[] = [];

/** Called whenever all that is remembered is to be forgotten. */
export const onForget = (forget: () => void): void => void told.push(forget);

/**
 * A function that reckons once for each object that it is given, as long as somebody holds the object.
 *
 * @param keeps - whether a result stays true for that object; all do when not given.
 */
export function onceFor<K extends object, R>(compute: (from: K) => R, keeps?: (result: R) => boolean): (from: K) => R {
  let results = new WeakMap<K, { readonly result: R }>();
  let since = turn;
  return (from) => {
    if (since !== turn) {
      results = new WeakMap();
      since = turn;
    }
    const known = results.get(from);
    if (known) return known.result;
    const result = compute(from);
    if (!keeps || keeps(result)) results.set(from, { result });
    return result;
  };
}

/** Forgets what every such function has reckoned. */
export function forgetOnce(): void {
  turn++;
  for (const forget of told) forget();
}

/**
 * Whether every object answers to that name by itself (`constructor`, `toString`, `__proto__` …): as the name of a part, a port or a
 * field it would find something that nobody put there, so no record of a job has it.
 */
export const isInherited = (name: string): boolean => name in Object.prototype || name === 'prototype';

/** Where in a plain value such a name stands as a key, as `parts.constructor`. The value is known to be shallow, or is cut off at `depth`. */
export function inheritedKey(value: unknown, depth = 32, path: readonly string[] = []): string | undefined {
  if (typeof value !== 'object' || value === null || path.length > depth) return undefined;
  for (const key of Object.keys(value)) {
    const here = [...path, key];
    if (isInherited(key)) return here.join('.');
    const found = inheritedKey((value as Record<string, unknown>)[key], depth, here);
    if (found) return found;
  }
  return undefined;
}

/** An id for a new device or wire that no other row of its list has: by what it is, and a number. */
export function freshRowId(rows: readonly { readonly id: string }[], stem: string): string {
  const name = stem.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);
  for (let n = 1; ; n++) if (!rows.some((r) => r.id === `${name}-${n}`)) return `${name}-${n}`;
}

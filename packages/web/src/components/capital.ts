/** A name as the start of a label. */
export const capital = (name: string): string => name.charAt(0).toUpperCase() + name.slice(1);

/** A text as the start of a sentence or a label. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

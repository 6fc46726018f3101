export const BAD_INPUT = 2;
export const OWN_FAULT = 3;

/** Something that the user typed or a file that he named is wrong. The message is one line. */
export class BadInput extends Error {}

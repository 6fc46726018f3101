/** Where in the job document something is: the keys from the root. */
export type FieldPath = readonly (string | number)[];

/** A job document of some older version, read as JSON and not judged yet. */
export type Document = Record<string, unknown>;

/** Texts that an upgrade took out of the document, by their digest. */
export type Attachments = Record<string, string>;

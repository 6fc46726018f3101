/** Version of the job document; older ones are upgraded as they are read. */
export const CURRENT_SCHEMA_VERSION = 5;

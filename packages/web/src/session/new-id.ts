import { v4 } from 'uuid';

/** An id that nothing else has. The browser's own `randomUUID` is missing on plain http from another machine. */
export const newId = (): string => v4();

import { realpathSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

export const projectRoot = realpathSync(fileURLToPath(new URL('../../', import.meta.url))).replace(/\/$/, '');

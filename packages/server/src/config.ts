import { z } from 'zod';

const configSchema = z.object({
  DATABASE_URL: z.string().min(1),
  ENDREL_PORT: z.coerce.number().int().min(0).max(65535).default(8400),
  ENDREL_HOST: z.string().default('127.0.0.1'),
  ENDREL_DEMO: z.enum(['yes', 'no']).default('no'),
  ENDREL_STOP_WITH_INPUT: z.enum(['yes', 'no']).default('no'),
  ENDREL_LOG: z.enum(['trace', 'debug', 'info', 'warn', 'error', 'silent']).default('warn'),
});

export interface Config {
  readonly databaseUrl: string;
  /** Preferred; the next free one is taken when it is busy. 0: any. */
  readonly port: number;
  readonly host: string;
  readonly loadDemo: boolean;
  /** Stop when standard input closes: whoever started the server is gone. */
  readonly stopWithInput: boolean;
  readonly logLevel: string;
}

/** @throws an Error that names the variable. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const read = configSchema.safeParse(env);
  if (!read.success) throw new Error(read.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; '));
  const { DATABASE_URL, ENDREL_PORT, ENDREL_HOST, ENDREL_DEMO, ENDREL_LOG, ENDREL_STOP_WITH_INPUT } = read.data;
  return {
    databaseUrl: DATABASE_URL,
    port: ENDREL_PORT,
    host: ENDREL_HOST,
    loadDemo: ENDREL_DEMO === 'yes',
    stopWithInput: ENDREL_STOP_WITH_INPUT === 'yes',
    logLevel: ENDREL_LOG,
  };
}

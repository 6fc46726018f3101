import { z } from 'zod';

const configSchema = z.object({
  DATABASE_URL: z.string().min(1),
  ENDREL_PORT: z.coerce.number().int().min(0).max(65535).default(8400),
  ENDREL_HOST: z.string().default('127.0.0.1'),
  ENDREL_NAMES: z
    .string()
    .default('')
    .transform((text) => text.split(/[\s,]+/).filter(Boolean))
    .pipe(z.array(z.string().regex(/^[a-z0-9.-]{1,253}$/i, 'are names as in an address, with commas between')).max(50)),
  ENDREL_TLS_CERT: z.string().optional(),
  ENDREL_TLS_KEY: z.string().optional(),
  ENDREL_DEMO: z.enum(['yes', 'no']).default('no'),
  ENDREL_STOP_WITH_INPUT: z.enum(['yes', 'no']).default('no'),
  ENDREL_LOG: z.enum(['trace', 'debug', 'info', 'warn', 'error', 'silent']).default('warn'),
});

export interface Config {
  readonly databaseUrl: string;
  /** Preferred; the next free one is taken when it is busy. 0: any. */
  readonly port: number;
  readonly host: string;
  /** Under which it may be asked for besides its addresses. */
  readonly names: readonly string[];
  /** Files of the user's own certificate and its key: it serves https then. */
  readonly tls?: { readonly cert: string; readonly key: string };
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
  const { ENDREL_TLS_CERT: cert, ENDREL_TLS_KEY: key } = read.data;
  if ((cert === undefined) !== (key === undefined))
    throw new Error('ENDREL_TLS_CERT and ENDREL_TLS_KEY: name both files, or neither');
  return {
    databaseUrl: DATABASE_URL,
    port: ENDREL_PORT,
    host: ENDREL_HOST,
    names: read.data.ENDREL_NAMES,
    ...(cert !== undefined && key !== undefined ? { tls: { cert, key } } : {}),
    loadDemo: ENDREL_DEMO === 'yes',
    stopWithInput: ENDREL_STOP_WITH_INPUT === 'yes',
    logLevel: ENDREL_LOG,
  };
}

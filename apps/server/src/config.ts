import * as z from 'zod';

const environment = z.object({
  DATABASE_URL: z.url({ error: 'DATABASE_URL has to be the URL of the database. `npm start` sets it.' }),
  PORT: z.coerce.number().int().min(1).max(65535).default(4180),
  WEB_ROOT: z.string().optional(),
  DATA_FOLDER: z.string().optional(),
  CHECK_ANSWERS: z.enum(['yes', 'no']).default('no'),
  LOG_LEVEL: z.enum(['debug', 'info', 'warn', 'error', 'silent']).default('warn'),
});

export interface Config {
  readonly databaseUrl: string;
  readonly port: number;
  readonly webRoot: string | undefined;
  /** Where the database lies: its disk is watched. */
  readonly dataFolder: string | undefined;
  /** `CHECK_ANSWERS=yes npm start`, while the server is being worked on. */
  readonly checkAnswers: boolean;
  readonly logLevel: string;
}

/** @throws a sentence for each variable that is wrong */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const parsed = environment.safeParse(env);
  if (!parsed.success) throw new Error(parsed.error.issues.map(({ message }) => message).join('\n'));
  const { DATABASE_URL, PORT, WEB_ROOT, DATA_FOLDER, CHECK_ANSWERS, LOG_LEVEL } = parsed.data;
  return {
    databaseUrl: DATABASE_URL,
    port: PORT,
    webRoot: WEB_ROOT,
    dataFolder: DATA_FOLDER,
    checkAnswers: CHECK_ANSWERS === 'yes',
    logLevel: LOG_LEVEL,
  };
}

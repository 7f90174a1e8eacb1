import { z } from 'zod';

const url = z.string().regex(/^postgres(ql)?:\/\//, 'must begin with postgresql://');

/** What the running application needs from its environment; bin/start sets it. */
const schema = z.object({
  /** Login of the application: owns no table, row-level security applies to it. */
  LATTICE_APP_DATABASE_URL: url,
});

/** Environment of the application. @throws Error with a sentence naming what is missing. */
export function appDatabaseUrl(): string {
  const read = schema.safeParse(process.env);
  if (read.success) return read.data.LATTICE_APP_DATABASE_URL;
  throw new Error(
    'LATTICE_APP_DATABASE_URL is not set to a PostgreSQL address. Start the application with bin/start.',
  );
}

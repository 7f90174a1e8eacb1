import type { Knex } from 'knex';

/** Row-level security on tables of a salon's rows, forced on their owner too: only the set salon's are seen and written. */
export async function protect(knex: Knex, tables: readonly string[]): Promise<void> {
  for (const table of tables) {
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy own_salon on ${table} using (salon_id = (select lattice_salon())) with check (salon_id = (select lattice_salon()));
    `);
  }
}

/** Hands functions to lattice_lookup, which sees every salon, and lets the application call them and nobody else. */
export async function handToLookup(knex: Knex, functions: readonly string[]): Promise<void> {
  await knex.raw('grant create on schema public to lattice_lookup');
  for (const own of functions) {
    await knex.raw(`
      alter function ${own} owner to lattice_lookup;
      revoke all on function ${own} from public;
      grant execute on function ${own} to lattice_app;
    `);
  }
  await knex.raw('revoke create on schema public from lattice_lookup');
}

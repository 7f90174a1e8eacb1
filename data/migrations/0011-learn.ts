import type { Knex } from 'knex';

/** From when on what somebody does is learnt from: a new hand, or a pace that was learnt wrongly, begins anew. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table person add column learnt_since timestamptz;
    grant update (learnt_since) on person to lattice_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table person drop column learnt_since');
}

import type { Knex } from 'knex';
import { protect } from './protect';

/** From when on a lightener is learnt from: another batch, or a lift that was learnt wrongly, begins anew. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table learnt_since (
      salon_id uuid not null references salon (id),
      -- The short name that formulas refer to it by.
      product text not null check (length(product) between 1 and 60),
      since timestamptz not null default now(),
      set_by uuid not null,
      primary key (salon_id, product),
      foreign key (salon_id, set_by) references person (salon_id, id)
    );
  `);
  await protect(knex, ['learnt_since']);
  await knex.raw('grant select, insert, update (since, set_by) on learnt_since to lattice_app');
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table learnt_since');
}

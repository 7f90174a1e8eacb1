import type { Knex } from 'knex';
import { protect } from './protect';

/** Stock as it is, apart from what a product is: used at visits, counted, each movement with who and when. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table stock (
      salon_id uuid not null references salon (id),
      -- The short name that formulas refer to it by.
      product text not null check (length(product) between 1 and 60),
      -- Grams, sheets of foil. Less than nothing where more was used than had been counted.
      amount numeric(12, 1) not null,
      primary key (salon_id, product)
    );

    create table stock_move (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null references salon (id),
      product text not null check (length(product) between 1 and 60),
      what text not null check (what in ('used', 'counted')),
      change numeric(12, 1) not null,
      visit_id uuid,
      person_id uuid not null,
      at timestamptz not null default now(),
      -- A client who is erased takes the visits along; what was used stays used.
      foreign key (salon_id, visit_id) references visit (salon_id, id) on delete set null (visit_id),
      foreign key (salon_id, person_id) references person (salon_id, id),
      check (what = 'used' or visit_id is null)
    );
    create index stock_move_by_visit on stock_move (salon_id, visit_id) where visit_id is not null;
    create index stock_move_by_product on stock_move (salon_id, product, at);
  `);
  await protect(knex, ['stock', 'stock_move']);
  await knex.raw(`
    grant select, insert, update (amount) on stock to lattice_app;
    -- What was taken or counted stays written down.
    grant select, insert on stock_move to lattice_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table stock_move, stock');
}

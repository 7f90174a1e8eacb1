import type { Knex } from 'knex';
import { eraseClient } from './0007-mix';
import { protect } from './protect';

/** A service while it runs: its script, frozen when it began, and everything that happened, in order, never changed. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table service (
      visit_id uuid primary key,
      salon_id uuid not null,
      script jsonb not null check (script -> 'version' is not null),
      begun_at timestamptz not null,
      last_position integer not null default 0 check (last_position >= 0),
      finished_at timestamptz,
      foreign key (salon_id, visit_id) references visit (salon_id, id),
      unique (salon_id, visit_id)
    );
    create index service_live on service (salon_id, begun_at) where finished_at is null;

    create table service_event (
      salon_id uuid not null,
      visit_id uuid not null,
      -- In the order in which the server took them.
      position integer not null check (position > 0),
      -- Made by the device, so that the same event sent twice is one.
      id uuid not null,
      device text not null check (length(device) between 1 and 200),
      -- By the server's clock; made_at by the device's own, right or wrong.
      at timestamptz not null,
      made_at timestamptz not null,
      person_id uuid not null,
      body jsonb not null check (body -> 'kind' is not null),
      primary key (visit_id, position),
      unique (visit_id, id),
      foreign key (salon_id, visit_id) references service (salon_id, visit_id),
      foreign key (salon_id, person_id) references person (salon_id, id)
    );
  `);
  await protect(knex, ['service', 'service_event']);
  await knex.raw(`
    grant select, insert, update on service to lattice_app;
    grant select, insert on service_event to lattice_app;
  `);
  await knex.raw(eraseClient(true, true));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(eraseClient(true, false));
  await knex.raw('drop table service_event, service');
}

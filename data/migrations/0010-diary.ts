import type { Knex } from 'knex';
import { eraseClient } from './0007-mix';
import { handToLookup, protect } from './protect';

/** The diary: appointments, and private addresses that a calendar reads them from. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table appointment (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      client_id uuid not null,
      -- Whose chair.
      person_id uuid not null,
      starts_at timestamptz not null,
      minutes integer not null check (minutes between 5 and 900),
      kind text not null check (kind in ('full', 'face', 'toner', 'consult', 'alert-test', 'redo')),
      state text not null default 'booked' check (state in ('booked', 'cancelled', 'no-show')),
      note text not null default '' check (length(note) <= 500),
      visit_id uuid,
      -- The visit that is put right.
      redo_of uuid,
      revision integer not null default 1 check (revision > 0),
      created_at timestamptz not null default now(),
      created_by uuid not null,
      updated_at timestamptz not null default now(),
      foreign key (salon_id, client_id) references client (salon_id, id),
      foreign key (salon_id, person_id) references person (salon_id, id),
      foreign key (salon_id, created_by) references person (salon_id, id),
      foreign key (salon_id, visit_id) references visit (salon_id, id),
      foreign key (salon_id, redo_of) references visit (salon_id, id),
      check (redo_of is null or kind = 'redo'),
      unique (salon_id, id)
    );
    create index appointment_by_time on appointment (salon_id, starts_at);
    create index appointment_by_client on appointment (salon_id, client_id, starts_at);
    create unique index appointment_of_visit on appointment (salon_id, visit_id) where visit_id is not null;

    create table calendar_feed (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      person_id uuid not null,
      -- Of the secret in the address, which is shown once and not kept.
      secret_hash text not null unique check (length(secret_hash) = 64),
      created_at timestamptz not null default now(),
      revoked_at timestamptz,
      foreign key (salon_id, person_id) references person (salon_id, id)
    );
  `);
  await protect(knex, ['appointment', 'calendar_feed']);
  await knex.raw(`
    create policy lookup on calendar_feed for select to lattice_lookup using (true);
    grant select on calendar_feed to lattice_lookup;
    grant select, insert, update on appointment, calendar_feed to lattice_app;

    -- Whose appointments a secret opens, before any salon is known.
    create function feed_of(wanted text) returns table (salon_id uuid, person_id uuid)
      language sql stable security definer set search_path = public, pg_temp as $$
        select f.salon_id, f.person_id from calendar_feed f join person p on p.salon_id = f.salon_id and p.id = f.person_id
        where f.secret_hash = wanted and f.revoked_at is null and p.active
      $$;
  `);
  await handToLookup(knex, ['feed_of(text)']);
  await knex.raw(eraseClient(true, true, true, true));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(eraseClient(true, true, true));
  await knex.raw('drop function feed_of(text); drop table calendar_feed, appointment');
}

import type { Knex } from 'knex';
import { handToLookup, protect } from './protect';

/** A page for the client's own phone: a private address, what they answered there, and pictures and consents that came from there. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table client_page (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      client_id uuid not null,
      -- Of the secret in the address, which is made from the page's id and a key that is not in the database.
      secret_hash text not null unique check (length(secret_hash) = 64),
      created_at timestamptz not null default now(),
      -- Null where it went out with a reminder by itself.
      created_by uuid,
      expires_at timestamptz not null,
      revoked_at timestamptz,
      foreign key (salon_id, client_id) references client (salon_id, id) on delete cascade,
      foreign key (salon_id, created_by) references person (salon_id, id)
    );
    create index client_page_by_client on client_page (salon_id, client_id);

    -- What a client answered: one at a time is open, until it is taken over or put away.
    create table client_answer (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      client_id uuid not null,
      document jsonb not null,
      revision integer not null default 1 check (revision > 0),
      changed_at timestamptz not null default now(),
      -- They said that they are done.
      sent_at timestamptz,
      settled_at timestamptz,
      settled_by uuid,
      foreign key (salon_id, client_id) references client (salon_id, id) on delete cascade,
      foreign key (salon_id, settled_by) references person (salon_id, id),
      check ((settled_at is null) = (settled_by is null))
    );
    create unique index client_answer_open on client_answer (salon_id, client_id) where settled_at is null;

    -- Nobody of the salon took it: it came from the client's own page.
    alter table photo alter column taken_by drop not null;
    alter table consent alter column taken_by drop not null;
  `);
  await protect(knex, ['client_page', 'client_answer']);
  await knex.raw(`
    create policy lookup on client_page for select to lattice_lookup using (true);
    grant select on client_page to lattice_lookup;
    grant select, insert, update on client_page, client_answer to lattice_app;

    -- Whose page a secret opens, before any salon is known.
    create function client_page_of(wanted text, at timestamptz) returns table (page_id uuid, salon_id uuid, client_id uuid, expires_at timestamptz)
      language sql stable security definer set search_path = public, pg_temp as $$
        select p.id, p.salon_id, p.client_id, p.expires_at from client_page p
        where p.secret_hash = wanted and p.revoked_at is null and p.expires_at > at
      $$;
  `);
  await handToLookup(knex, ['client_page_of(text, timestamptz)']);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop function client_page_of(text, timestamptz);
    drop table client_answer, client_page;
    alter table photo alter column taken_by set not null;
    alter table consent alter column taken_by set not null;
  `);
}

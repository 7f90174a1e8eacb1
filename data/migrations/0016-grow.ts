import type { Knex } from 'knex';
import { handToLookup, protect } from './protect';

/** Tokens for a salon's own tools, reminders that go out by themselves, photos that are archived before they are deleted, and services whose time never goes back. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table photo add column archived_at timestamptz;
    grant update (archived_at) on photo to lattice_app;

    -- By how much the server's clock was put back while the service ran, ms: its own time goes on without a step.
    alter table service add column clock_ahead_ms double precision not null default 0 check (clock_ahead_ms >= 0);

    -- Null: it went out by itself.
    alter table reminder alter column created_by drop not null;

    create table api_token (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null references salon (id),
      name text not null check (length(name) between 1 and 80),
      -- Of the secret, which is shown once and not kept.
      secret_hash text not null unique check (length(secret_hash) = 64),
      scopes text[] not null check (cardinality(scopes) between 1 and 20),
      -- In whose name it reads and writes.
      person_id uuid not null,
      created_at timestamptz not null default now(),
      created_by uuid not null,
      used_at timestamptz,
      revoked_at timestamptz,
      -- Requests of the minute that began then.
      minute_from timestamptz not null default now(),
      minute_count integer not null default 0,
      foreign key (salon_id, person_id) references person (salon_id, id),
      foreign key (salon_id, created_by) references person (salon_id, id)
    );
  `);
  await protect(knex, ['api_token']);
  await knex.raw(`
    create policy lookup on api_token to lattice_lookup using (true) with check (true);
    grant select, update on api_token to lattice_lookup;
    grant select, insert on api_token to lattice_app;
    grant update (revoked_at) on api_token to lattice_app;

    -- Whose a secret is, before any salon is known; counts the request. Nothing of one that is revoked, or whose person works there no more.
    create function token_used(wanted text)
      returns table (token_id uuid, token_name text, scopes text[], requests integer, salon_id uuid, salon_name text, person_id uuid, person_name text, role text)
      language sql volatile security definer set search_path = public, pg_temp as $$
        with used as (
          update api_token t set used_at = now(),
            minute_from = case when t.minute_from < now() - interval '1 minute' then now() else t.minute_from end,
            minute_count = case when t.minute_from < now() - interval '1 minute' then 1 else t.minute_count + 1 end
          where t.secret_hash = wanted and t.revoked_at is null
            and exists (select 1 from person p where p.salon_id = t.salon_id and p.id = t.person_id and p.active)
          returning t.*
        )
        select u.id, u.name, u.scopes, u.minute_count, u.salon_id, o.name, p.id, p.name, p.role
        from used u join salon o on o.id = u.salon_id join person p on p.salon_id = u.salon_id and p.id = u.person_id
      $$;

    -- Every salon, for what the server does by itself.
    create function salons_here() returns table (salon_id uuid, salon_name text)
      language sql stable security definer set search_path = public, pg_temp as $$ select o.id, o.name from salon o order by o.id $$;
  `);
  await handToLookup(knex, ['token_used(text)', 'salons_here()']);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop function salons_here(), token_used(text);
    drop table api_token;
    delete from reminder where created_by is null;
    alter table reminder alter column created_by set not null;
    alter table service drop column clock_ahead_ms;
    alter table photo drop column archived_at;
  `);
}

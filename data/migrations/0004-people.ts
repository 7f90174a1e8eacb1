import type { Knex } from 'knex';
import { handToLookup, protect } from './protect';

/**
 * People and access: PIN, lock, links that invite or reset, a limit on wrong tries, and the trail of who did what.
 *
 * The trail can be added to and read, never changed; only erasing a client takes personal words out of it (0005).
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table person add column pin_hash text check (pin_hash like '$argon2id$%');
    alter table session add column seen_at timestamptz not null default now(), add column locked_at timestamptz,
      add column device text not null default '' check (length(device) <= 200);

    create table access_link (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null references salon (id),
      kind text not null check (kind in ('invitation', 'reset')),
      token_hash text not null unique check (length(token_hash) = 64),
      role text check (role in ('owner', 'colourist', 'assistant')),
      person_id uuid,
      created_at timestamptz not null default now(),
      created_by uuid,
      expires_at timestamptz not null check (expires_at > created_at),
      used_at timestamptz,
      revoked_at timestamptz,
      foreign key (salon_id, person_id) references person (salon_id, id),
      foreign key (salon_id, created_by) references person (salon_id, id),
      check ((kind = 'invitation' and role is not null) or (kind = 'reset' and person_id is not null))
    );

    create table trail (
      id bigint generated always as identity primary key,
      salon_id uuid not null references salon (id),
      at timestamptz not null default now(),
      person_id uuid,
      -- Without a foreign key: the trail outlives what it tells of.
      client_id uuid,
      visit_id uuid,
      act text not null check (length(act) between 1 and 40),
      details jsonb not null default '{}',
      foreign key (salon_id, person_id) references person (salon_id, id)
    );
    create index trail_by_client on trail (salon_id, client_id, id desc) where client_id is not null;
    create index trail_by_salon on trail (salon_id, id desc);

    create table attempt (key text not null check (length(key) <= 120), at timestamptz not null default now());
    create index attempt_by_key on attempt (key, at desc);
  `);
  await protect(knex, ['access_link', 'trail']);
  await knex.raw(`
    alter table attempt enable row level security;
    alter table attempt force row level security;
    create policy lookup on attempt to lattice_lookup using (true) with check (true);
    create policy lookup on access_link for select to lattice_lookup using (true);
    create policy lookup on house for select to lattice_lookup using (true);
    grant select, insert, delete on attempt to lattice_lookup;
    grant select on access_link, house to lattice_lookup;

    grant select, insert on access_link, trail to lattice_app;
    grant update (used_at, revoked_at) on access_link to lattice_app;
    grant insert (salon_id, name, email, role, password_hash) on person to lattice_app;
    grant update (name, role, active, password_hash, pin_hash) on person to lattice_app;
  `);

  await knex.raw(`
    drop function find_session(uuid);
    create function find_session(wanted uuid)
      returns table (session_id uuid, person_id uuid, salon_id uuid, person_name text, role text, salon_name text, locked boolean, to_touch boolean)
      language sql stable security definer set search_path = public, pg_temp as $$
        select s.id, p.id, p.salon_id, p.name, p.role, o.name,
          s.locked_at is not null or s.seen_at < now() - make_interval(mins => coalesce((h.document ->> 'lockMinutes')::integer, 10)),
          s.seen_at < now() - interval '30 seconds'
        from session s
        join person p on p.id = s.person_id and p.salon_id = s.salon_id
        join salon o on o.id = s.salon_id
        left join house h on h.salon_id = s.salon_id
        where s.id = wanted and s.revoked_at is null and s.expires_at > now() and p.active
      $$;

    -- A link by its token's hash, while it can still be used.
    create function find_link(wanted text)
      returns table (link_id uuid, salon_id uuid, salon_name text, kind text, role text, person_id uuid, person_name text, email text)
      language sql stable security definer set search_path = public, pg_temp as $$
        select l.id, l.salon_id, o.name, l.kind, l.role, l.person_id, p.name, p.email
        from access_link l
        join salon o on o.id = l.salon_id
        left join person p on p.id = l.person_id
        where l.token_hash = wanted and l.used_at is null and l.revoked_at is null and l.expires_at > now()
      $$;

    -- Seconds until another try is allowed: 0 while fewer than most tries failed within the time.
    create function attempt_wait(wanted text, most integer, within_seconds integer) returns integer
      language sql stable security definer set search_path = public, pg_temp as $$
        select coalesce((
          select greatest(1, ceil(within_seconds - extract(epoch from now() - a.at)))::integer
          from attempt a
          where a.key = wanted and a.at > now() - make_interval(secs => within_seconds)
          order by a.at desc offset most - 1 limit 1
        ), 0)
      $$;
    create function attempt_failed(wanted text) returns void
      language sql volatile security definer set search_path = public, pg_temp as $$
        delete from attempt where at < now() - interval '1 day';
        insert into attempt (key) values (wanted);
      $$;
    create function attempt_cleared(wanted text) returns void
      language sql volatile security definer set search_path = public, pg_temp as $$
        delete from attempt where key = wanted
      $$;
  `);
  await handToLookup(knex, [
    'find_session(uuid)', 'find_link(text)', 'attempt_wait(text, integer, integer)', 'attempt_failed(text)', 'attempt_cleared(text)',
  ]);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop function attempt_cleared(text), attempt_failed(text), attempt_wait(text, integer, integer), find_link(text), find_session(uuid);
    drop policy lookup on house;
    revoke select on house from lattice_lookup;
    drop table attempt, trail, access_link;
    alter table session drop column seen_at, drop column locked_at, drop column device;
    alter table person drop column pin_hash;
    create function find_session(wanted uuid)
      returns table (session_id uuid, person_id uuid, salon_id uuid, person_name text, role text, salon_name text)
      language sql stable security definer set search_path = public, pg_temp as $$
        select s.id, p.id, p.salon_id, p.name, p.role, o.name
        from session s
        join person p on p.id = s.person_id and p.salon_id = s.salon_id
        join salon o on o.id = s.salon_id
        where s.id = wanted and s.revoked_at is null and s.expires_at > now() and p.active
      $$;
  `);
  await handToLookup(knex, ['find_session(uuid)']);
}

import type { Knex } from 'knex';

/** Tables that hold a salon's rows: each has salon_id, and row-level security forced on it. */
const SALON_TABLES = ['person', 'session', 'client', 'visit', 'plan', 'outcome', 'draft'];

/**
 * Salon, people, sessions, clients, visits, plans, outcomes, drafts.
 *
 * Roles: lattice_app is what the application's login belongs to; it owns nothing. lattice_lookup owns the few functions
 * that must find a row before the salon is known (sign-in, session, demo accounts) and can read only what they need.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create function lattice_salon() returns uuid language sql stable as
      $$ select nullif(current_setting('lattice.salon', true), '')::uuid $$;

    create table salon (
      id uuid primary key default gen_random_uuid(),
      name text not null check (length(trim(name)) between 1 and 120),
      demo boolean not null default false,
      created_at timestamptz not null default now()
    );

    create table person (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null references salon (id),
      name text not null check (length(trim(name)) between 1 and 120),
      email text not null check (email = lower(email) and position('@' in email) > 1),
      role text not null check (role in ('owner', 'colourist', 'assistant')),
      password_hash text not null check (password_hash like '$argon2id$%'),
      active boolean not null default true,
      created_at timestamptz not null default now(),
      unique (salon_id, id)
    );
    create unique index person_email on person (email);

    create table session (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      person_id uuid not null,
      created_at timestamptz not null default now(),
      expires_at timestamptz not null check (expires_at > created_at),
      revoked_at timestamptz,
      foreign key (salon_id, person_id) references person (salon_id, id)
    );

    create table client (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null references salon (id),
      name text not null check (length(trim(name)) between 1 and 120),
      phone text not null default '' check (length(phone) <= 40),
      note text not null default '' check (length(note) <= 2000),
      created_at timestamptz not null default now(),
      created_by uuid not null,
      unique (salon_id, id),
      foreign key (salon_id, created_by) references person (salon_id, id)
    );
    create index client_by_name on client (salon_id, lower(name));

    create table visit (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      client_id uuid not null,
      person_id uuid not null,
      held_on date not null,
      consult jsonb not null check (consult -> 'version' is not null),
      consult_revision integer not null default 1 check (consult_revision > 0),
      consult_edit uuid,
      created_at timestamptz not null default now(),
      unique (salon_id, id),
      foreign key (salon_id, client_id) references client (salon_id, id),
      foreign key (salon_id, person_id) references person (salon_id, id)
    );
    create index visit_by_client on visit (salon_id, client_id, held_on desc);

    create table plan (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      visit_id uuid not null,
      document jsonb not null check (document ->> 'format' = 'dappled-lattice/plan' and document -> 'version' is not null),
      revision integer not null default 1 check (revision > 0),
      last_edit uuid,
      updated_at timestamptz not null default now(),
      updated_by uuid not null,
      unique (salon_id, id),
      foreign key (salon_id, visit_id) references visit (salon_id, id),
      foreign key (salon_id, updated_by) references person (salon_id, id)
    );
    create index plan_by_visit on plan (salon_id, visit_id);

    create table outcome (
      visit_id uuid primary key,
      salon_id uuid not null,
      document jsonb not null check (document -> 'version' is not null),
      revision integer not null default 1 check (revision > 0),
      last_edit uuid,
      recorded_at timestamptz not null default now(),
      recorded_by uuid not null,
      foreign key (salon_id, visit_id) references visit (salon_id, id),
      foreign key (salon_id, recorded_by) references person (salon_id, id)
    );

    create table draft (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      person_id uuid not null,
      visit_id uuid not null,
      part text not null check (part in ('consult', 'plan', 'outcome')),
      base_revision integer not null,
      document jsonb not null,
      kept_at timestamptz not null default now(),
      unique (visit_id, part, person_id),
      foreign key (salon_id, visit_id) references visit (salon_id, id),
      foreign key (salon_id, person_id) references person (salon_id, id)
    );
  `);

  await knex.raw(`
    alter table salon enable row level security;
    alter table salon force row level security;
    create policy own_salon on salon using (id = lattice_salon()) with check (id = lattice_salon());
    create policy lookup on salon for select to lattice_lookup using (true);
    create policy lookup on person for select to lattice_lookup using (true);
    create policy lookup on session for select to lattice_lookup using (true);
  `);
  for (const table of SALON_TABLES) {
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy own_salon on ${table} using (salon_id = lattice_salon()) with check (salon_id = lattice_salon());
    `);
  }

  await knex.raw(`
    create function find_sign_in(wanted text)
      returns table (person_id uuid, salon_id uuid, password_hash text)
      language sql stable security definer set search_path = public, pg_temp as $$
        select p.id, p.salon_id, p.password_hash from person p where p.email = lower(wanted) and p.active
      $$;

    create function find_session(wanted uuid)
      returns table (session_id uuid, person_id uuid, salon_id uuid, person_name text, role text, salon_name text)
      language sql stable security definer set search_path = public, pg_temp as $$
        select s.id, p.id, p.salon_id, p.name, p.role, o.name
        from session s
        join person p on p.id = s.person_id and p.salon_id = s.salon_id
        join salon o on o.id = s.salon_id
        where s.id = wanted and s.revoked_at is null and s.expires_at > now() and p.active
      $$;

    create function demo_accounts()
      returns table (salon_name text, person_name text, role text, email text)
      language sql stable security definer set search_path = public, pg_temp as $$
        select o.name, p.name, p.role, p.email
        from person p join salon o on o.id = p.salon_id
        where o.demo and p.active
        order by o.created_at, o.name, case p.role when 'owner' then 0 when 'colourist' then 1 else 2 end
      $$;

    grant select on salon, person, session to lattice_lookup;
    grant create on schema public to lattice_lookup;
    alter function find_sign_in(text) owner to lattice_lookup;
    alter function find_session(uuid) owner to lattice_lookup;
    alter function demo_accounts() owner to lattice_lookup;
    revoke create on schema public from lattice_lookup;
    revoke all on function find_sign_in(text), find_session(uuid), demo_accounts() from public;
    grant execute on function find_sign_in(text), find_session(uuid), demo_accounts() to lattice_app;

    grant usage on schema public to lattice_app;
    grant select on salon, person to lattice_app;
    grant select, insert on session, client, visit, plan, outcome, draft to lattice_app;
    grant update on session, client, visit, plan, outcome, draft to lattice_app;
    grant delete on draft to lattice_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop function demo_accounts(), find_session(uuid), find_sign_in(text);
    drop table draft, outcome, plan, visit, client, session, person, salon;
    drop function lattice_salon();
  `);
}

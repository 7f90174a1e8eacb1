import type { Knex } from 'knex';
import { handToLookup, protect } from './protect';

/**
 * Tries are counted before they are checked; merges can be undone; every refused edit is a draft of its own; and what the server looks up
 * names by is pinned.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    drop function attempt_wait(text, integer, integer), attempt_failed(text);

    -- Takes one try: 0 where it is allowed, and counted; otherwise seconds until the next is. Two at once wait for each other.
    create function attempt_taken(wanted text, most integer, within_seconds integer) returns integer
      language plpgsql volatile security definer set search_path = public, pg_temp as $$
        declare
          wait integer;
        begin
          perform pg_advisory_xact_lock(hashtextextended(wanted, 0));
          delete from attempt where at < now() - interval '1 day';
          -- By the clock on the wall, not the transaction's: who waited for the lock comes later.
          select greatest(1, ceil(within_seconds - extract(epoch from clock_timestamp() - a.at)))::integer into wait
            from attempt a
            where a.key = wanted and a.at > clock_timestamp() - make_interval(secs => within_seconds)
            order by a.at desc offset most - 1 limit 1;
          if wait is not null then
            return wait;
          end if;
          insert into attempt (key, at) values (wanted, clock_timestamp());
          return 0;
        end
      $$;
    -- Gives the newest try back: it was a right one.
    create function attempt_returned(wanted text) returns void
      language sql volatile security definer set search_path = public, pg_temp as $$
        delete from attempt where ctid = (select a.ctid from attempt a where a.key = wanted order by a.at desc limit 1)
      $$;

    -- Two records that were made one: what moved, and what was written over, so that it can be taken back.
    create table client_merge (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      from_id uuid not null,
      into_id uuid not null,
      -- Ids of the rows that moved, by table.
      moved jsonb not null,
      -- Phone, birthday and note of the record that stayed, and when the other was put away, before.
      before jsonb not null,
      at timestamptz not null default now(),
      person_id uuid not null,
      undone_at timestamptz,
      foreign key (salon_id, from_id) references client (salon_id, id) on delete cascade,
      foreign key (salon_id, into_id) references client (salon_id, id) on delete cascade,
      foreign key (salon_id, person_id) references person (salon_id, id)
    );
    create index client_merge_into on client_merge (salon_id, into_id);

    -- Whoever joined a demo salon or set a password of their own works in it: they are shown to nobody.
    create policy lookup on trail for select to lattice_lookup using (true);
    grant select on trail to lattice_lookup;
    create or replace function demo_accounts()
      returns table (salon_name text, person_name text, role text, email text)
      language sql stable security definer set search_path = public, pg_temp as $$
        select o.name, p.name, p.role, p.email
        from person p join salon o on o.id = p.salon_id
        where o.demo and p.active
          and not exists (select 1 from trail t where t.salon_id = p.salon_id and t.person_id = p.id and t.act in ('person-joined', 'password-set'))
        order by o.created_at, o.name, case p.role when 'owner' then 0 when 'colourist' then 1 else 2 end
      $$;
    -- Whether there is any salon at all: the first page says what to do where there is none.
    create function any_salon() returns boolean
      language sql stable security definer set search_path = public, pg_temp as $$ select exists (select 1 from salon) $$;

    -- Each document as it was before its last change.
    alter table visit add column consult_before jsonb;
    alter table plan add column before jsonb;
    alter table mix add column before jsonb;
    alter table outcome add column before jsonb;

    -- Two edits of one person that were refused, from two stations: two drafts.
    alter table draft add column edit_id uuid not null default gen_random_uuid();
    alter table draft drop constraint draft_visit_id_part_person_id_key;
    create unique index draft_of_edit on draft (visit_id, part, person_id, edit_id);
  `);
  await protect(knex, ['client_merge']);
  await knex.raw(`
    grant select, insert on client_merge to lattice_app;
    -- The application says whether the database is as it expects it.
    grant select on knex_migrations to lattice_app;
    grant update (undone_at) on client_merge to lattice_app;
    grant insert (edit_id) on draft to lattice_app;
    grant update (consult_before) on visit to lattice_app;
  `);
  await handToLookup(knex, ['attempt_taken(text, integer, integer)', 'attempt_returned(text)', 'any_salon()']);
  await pinNames(knex);
}

/**
 * No function finds anything but in its own schemas, and nobody may put tables of their own before ours. Policies ask for the salon once a
 * statement: as a pinned function it would be called for each row.
 */
async function pinNames(knex: Knex): Promise<void> {
  await knex.raw(`
    do $$
      declare
        own record;
      begin
        for own in select p.oid::regprocedure as name from pg_proc p
          where p.pronamespace = 'public'::regnamespace and p.proowner = current_user::regrole
            and not exists (select 1 from pg_depend d where d.objid = p.oid and d.deptype = 'e')
            and not coalesce(p.proconfig, '{}') @> array['search_path=public, pg_temp']
        loop
          execute format('alter function %s set search_path = public, pg_temp', own.name);
        end loop;
        for own in select tablename, case tablename when 'salon' then 'id' else 'salon_id' end as key from pg_policies
          where schemaname = 'public' and policyname = 'own_salon'
        loop
          execute format('alter policy own_salon on %I using (%I = (select lattice_salon())) with check (%I = (select lattice_salon()))',
            own.tablename, own.key, own.key);
        end loop;
        execute format('revoke temporary on database %I from public', current_database());
      end
    $$;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table client_merge;
    drop function any_salon();
    drop policy lookup on trail;
    revoke select on trail from lattice_lookup;
    alter table visit drop column consult_before;
    alter table plan drop column before;
    alter table mix drop column before;
    alter table outcome drop column before;
    delete from draft d using draft later where d.visit_id = later.visit_id and d.part = later.part and d.person_id = later.person_id
      and (d.kept_at, d.id) < (later.kept_at, later.id);
    drop index draft_of_edit;
    alter table draft drop column edit_id;
    alter table draft add unique (visit_id, part, person_id);
    drop function attempt_taken(text, integer, integer), attempt_returned(text);
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
  `);
  await handToLookup(knex, ['attempt_wait(text, integer, integer)', 'attempt_failed(text)']);
}

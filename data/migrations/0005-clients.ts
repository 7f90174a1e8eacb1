import type { Knex } from 'knex';
import { protect } from './protect';

/**
 * What is known of a client beside her visits: tests, consents, reasons given for cautions, photos; archiving, merging and
 * erasing; and the moment a visit began.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table client add column born_on date, add column archived_at timestamptz,
      add column merged_into uuid, add column revision integer not null default 1 check (revision > 0),
      add foreign key (salon_id, merged_into) references client (salon_id, id), add check (merged_into is null or archived_at is not null);
    alter table visit add column begun_at timestamptz, add column begun_by uuid,
      add foreign key (salon_id, begun_by) references person (salon_id, id), add check ((begun_at is null) = (begun_by is null));
    -- What was recorded before visits had a beginning has begun when it was recorded; salon by salon, as the policies ask.
    do $$
      declare salon uuid;
      begin
        for salon in select id from salon loop
          perform set_config('lattice.salon', salon::text, true);
          update visit v set begun_at = o.recorded_at, begun_by = o.recorded_by from outcome o where o.visit_id = v.id;
        end loop;
        perform set_config('lattice.salon', '', true);
      end
    $$;

    create table hair_test (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      client_id uuid not null,
      kind text not null check (kind in ('alert', 'strand')),
      on_day date not null,
      document jsonb not null check (document -> 'version' is not null),
      result text check (result in ('clear', 'reaction', 'passed', 'failed')),
      noted_at timestamptz not null default now(),
      noted_by uuid not null,
      foreign key (salon_id, client_id) references client (salon_id, id),
      foreign key (salon_id, noted_by) references person (salon_id, id),
      check (result is null or (kind = 'alert') = (result in ('clear', 'reaction')))
    );
    create index hair_test_by_client on hair_test (salon_id, client_id, on_day desc);

    create table consent (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      client_id uuid not null,
      kind text not null check (kind in ('photo', 'service', 'guardian')),
      words text not null check (length(words) between 1 and 2000),
      signed_name text not null check (length(trim(signed_name)) between 1 and 120),
      -- Strokes of the pen: lists of x, y between 0 and 1; empty where the name was typed instead.
      signature jsonb not null default '[]',
      given_at timestamptz not null default now(),
      taken_by uuid not null,
      withdrawn_at timestamptz,
      foreign key (salon_id, client_id) references client (salon_id, id),
      foreign key (salon_id, taken_by) references person (salon_id, id)
    );
    create index consent_by_client on consent (salon_id, client_id, given_at desc);

    create table caution_reason (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      visit_id uuid not null,
      caution text not null check (length(caution) between 1 and 40),
      seen text not null check (length(seen) between 1 and 500),
      reason text not null check (length(trim(reason)) between 3 and 1000),
      given_at timestamptz not null default now(),
      given_by uuid not null,
      foreign key (salon_id, visit_id) references visit (salon_id, id),
      foreign key (salon_id, given_by) references person (salon_id, id)
    );
    create index caution_reason_by_visit on caution_reason (salon_id, visit_id);

    create table photo (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      client_id uuid not null,
      visit_id uuid,
      kind text not null check (kind in ('wish', 'hair')),
      width integer not null check (width between 1 and 20000),
      height integer not null check (height between 1 and 20000),
      note text not null default '' check (length(note) <= 500),
      document jsonb not null check (document -> 'version' is not null),
      revision integer not null default 1 check (revision > 0),
      stored_in text not null check (stored_in in ('database', 'objects')),
      taken_at timestamptz not null default now(),
      taken_by uuid not null,
      unique (salon_id, id),
      foreign key (salon_id, client_id) references client (salon_id, id),
      foreign key (salon_id, visit_id) references visit (salon_id, id),
      foreign key (salon_id, taken_by) references person (salon_id, id)
    );
    create index photo_by_client on photo (salon_id, client_id, taken_at desc);

    create table photo_bytes (
      photo_id uuid not null,
      salon_id uuid not null,
      size text not null check (size in ('full', 'small')),
      bytes bytea not null,
      primary key (photo_id, size),
      foreign key (salon_id, photo_id) references photo (salon_id, id) on delete cascade
    );
  `);
  await protect(knex, ['hair_test', 'consent', 'caution_reason', 'photo', 'photo_bytes']);
  // Tests and consents are records: a result can be read later, a consent withdrawn, and nothing else changed.
  await knex.raw(`
    grant select, insert on hair_test, consent, caution_reason, photo, photo_bytes to lattice_app;
    grant update (client_id, result) on hair_test to lattice_app;
    grant update (client_id, withdrawn_at) on consent to lattice_app;
    grant update (client_id, note, document, revision) on photo to lattice_app;
    grant delete on photo to lattice_app;
    revoke update on visit from lattice_app;
    grant update (client_id, held_on, consult, consult_revision, consult_edit, begun_at, begun_by) on visit to lattice_app;

    -- Erasing a client: everything that is hers goes, and so do the words in her trail; that and when, by whom, stays.
    create function erase_client(wanted uuid, eraser uuid) returns boolean
      language plpgsql security definer set search_path = public, pg_temp as $$
        declare
          own uuid := lattice_salon();
          visits uuid[];
        begin
          if own is null or not exists (select 1 from client c where c.salon_id = own and c.id = wanted) then
            return false;
          end if;
          -- Records that were merged into hers are hers.
          if exists (select 1 from client c where c.salon_id = own and c.merged_into = wanted) then
            perform erase_client(c.id, eraser) from client c where c.salon_id = own and c.merged_into = wanted;
          end if;
          visits := array(select v.id from visit v where v.salon_id = own and v.client_id = wanted);
          delete from draft d where d.salon_id = own and d.visit_id = any (visits);
          delete from outcome o where o.salon_id = own and o.visit_id = any (visits);
          delete from plan p where p.salon_id = own and p.visit_id = any (visits);
          delete from caution_reason r where r.salon_id = own and r.visit_id = any (visits);
          delete from photo f where f.salon_id = own and f.client_id = wanted;
          delete from hair_test t where t.salon_id = own and t.client_id = wanted;
          delete from consent s where s.salon_id = own and s.client_id = wanted;
          delete from visit v where v.salon_id = own and v.client_id = wanted;
          delete from client c where c.salon_id = own and c.id = wanted;
          update trail t set details = '{"erased": true}' where t.salon_id = own and t.client_id = wanted;
          insert into trail (salon_id, person_id, client_id, act) values (own, eraser, wanted, 'client-erased');
          return true;
        end
      $$;
    revoke all on function erase_client(uuid, uuid) from public;
    grant execute on function erase_client(uuid, uuid) to lattice_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop function erase_client(uuid, uuid);
    drop table photo_bytes, photo, caution_reason, consent, hair_test;
    grant update on visit to lattice_app;
    alter table visit drop column begun_at, drop column begun_by;
    alter table client drop column born_on, drop column archived_at, drop column merged_into, drop column revision;
  `);
}

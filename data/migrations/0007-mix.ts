import type { Knex } from 'knex';
import { protect } from './protect';

/** The products of a house, and the mix of each visit: kept, found by what is in it, and erased with the client. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table product_range (
      salon_id uuid primary key references salon (id),
      document jsonb not null check (document -> 'version' is not null),
      revision integer not null default 1 check (revision > 0),
      updated_at timestamptz not null default now(),
      updated_by uuid not null,
      foreign key (salon_id, updated_by) references person (salon_id, id)
    );

    create table mix (
      visit_id uuid primary key,
      salon_id uuid not null,
      document jsonb not null check (document -> 'version' is not null),
      -- Names of what was mixed, strengths and parts, small letters.
      search text not null default '',
      revision integer not null default 1 check (revision > 0),
      last_edit uuid,
      updated_at timestamptz not null default now(),
      updated_by uuid not null,
      foreign key (salon_id, visit_id) references visit (salon_id, id),
      foreign key (salon_id, updated_by) references person (salon_id, id)
    );
    create index mix_search on mix using gin (salon_id, search gin_trgm_ops);

    alter table draft drop constraint draft_part_check;
    alter table draft add constraint draft_part_check check (part in ('consult', 'plan', 'mix', 'outcome'));
  `);
  await protect(knex, ['product_range', 'mix']);
  await knex.raw(`
    grant select, insert, update on product_range, mix to lattice_app;
    create policy lookup on mix for select to lattice_lookup using (true);
    grant select on mix to lattice_lookup;
  `);
  await knex.raw(findByPattern(true));
  await knex.raw(eraseClient(true));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(eraseClient(false));
  await knex.raw(findByPattern(false));
  await knex.raw(`
    delete from draft where part = 'mix';
    alter table draft drop constraint draft_part_check;
    alter table draft add constraint draft_part_check check (part in ('consult', 'plan', 'outcome'));
    drop table mix, product_range;
  `);
}

/** Clients by a pattern of theirs, by what was done, or by what was mixed. */
const findByPattern = (mixed: boolean) => `
  create or replace function find_by_pattern(wanted text[], most integer)
    returns table (client_id uuid, visit_id uuid, pattern text)
    language plpgsql stable security definer set search_path = public, pg_temp
    set random_page_cost = 1.1 as $$
      declare
        own uuid := lattice_salon();
      begin
        if own is null or not exists (select 1 from unnest(wanted) w where length(w) >= 3) then
          return;
        end if;
        return query execute format(
          'select distinct on (v.client_id) v.client_id, v.id, l.document ->> ''name''
           from (
             (with recursive names (name) as (
                (select p.search from plan p where p.salon_id = %1$L order by p.search limit 1)
                union all
                select (select p.search from plan p where p.salon_id = %1$L and p.search > n.name order by p.search limit 1) from names n where n.name is not null
              )
              select p.visit_id from names n join lateral (select p.visit_id from plan p where p.salon_id = %1$L and p.search = n.name limit 4 * %4$s) p on true
              where %2$s limit 4 * %4$s)
             union
             (select o.visit_id from outcome o where o.salon_id = %1$L and %3$s limit 4 * %4$s)
             ${mixed ? 'union (select m.visit_id from mix m where m.salon_id = %1$L and %5$s limit 4 * %4$s)' : ''}
           ) f
           join visit v on v.id = f.visit_id and v.salon_id = %1$L
           join plan l on l.visit_id = v.id and l.salon_id = %1$L
           join client c on c.id = v.client_id and c.salon_id = %1$L and c.archived_at is null
           order by v.client_id, v.held_on desc
           limit %4$s', own, all_words('n.name', wanted), all_words('o.search', wanted), most${mixed ? ", all_words('m.search', wanted)" : ''});
      end
    $$;
`;

/** Erasing a client: everything that is hers goes, and so do the words in her trail; that and when, by whom, stays. */
export const eraseClient = (mixed: boolean, served = false, signed = false, booked = false, reminded = false) => `
  create or replace function erase_client(wanted uuid, eraser uuid) returns boolean
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
        ${reminded ? 'delete from reminder r where r.salon_id = own and r.client_id = wanted;' : ''}
        ${booked ? 'delete from appointment a where a.salon_id = own and a.client_id = wanted;' : ''}
        ${signed ? 'delete from addendum a where a.salon_id = own and a.visit_id = any (visits);' : ''}
        delete from outcome o where o.salon_id = own and o.visit_id = any (visits);
        ${served ? 'delete from service_event e where e.salon_id = own and e.visit_id = any (visits); delete from service s where s.salon_id = own and s.visit_id = any (visits);' : ''}
        ${mixed ? 'delete from mix m where m.salon_id = own and m.visit_id = any (visits);' : ''}
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
`;

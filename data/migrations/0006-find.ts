import type { Knex } from 'knex';
import { handToLookup, protect } from './protect';

/**
 * Search in two steps: what is written exactly, and only where that finds nothing, words much like it. Likeness is looked
 * up in the salon's own list of words, which is small, and never over all clients. Patterns and what was done are found too.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create index client_begins on client (salon_id, lower(name) text_pattern_ops) where archived_at is null;
    alter table plan add column search text not null generated always as (lower(document ->> 'name')) stored;
    alter table outcome add column search text not null generated always as (lower(coalesce(document ->> 'done', ''))) stored;
    -- Patterns share their names: each name is looked at once, and clients are then read along the index until there are enough.
    create index plan_name on plan (salon_id, search);
    create index outcome_search on outcome using gin (salon_id, search gin_trgm_ops);

    create table client_word (
      salon_id uuid not null references salon (id),
      word text not null,
      primary key (salon_id, word)
    );
    create index client_word_like on client_word using gin (salon_id, word gin_trgm_ops);
    create policy lookup on client_word for select to lattice_lookup using (true);
    create policy lookup on plan for select to lattice_lookup using (true);
    create policy lookup on outcome for select to lattice_lookup using (true);
    create policy lookup on visit for select to lattice_lookup using (true);
    grant select on client_word, plan, outcome, visit to lattice_lookup;
    grant select on client_word to lattice_app;

    -- Words of letters, three and longer; figures are looked for as they are.
    create function client_words(said text) returns setof text
      language sql immutable as $$
        select distinct w from regexp_split_to_table(lower(said), '[^[:alpha:]]+') w where length(w) >= 3
      $$;
    create function keep_client_words() returns trigger
      language plpgsql security definer set search_path = public, pg_temp as $$
        begin
          insert into client_word (salon_id, word)
            select distinct n.salon_id, w from added n, client_words(n.name || ' ' || n.note) w
            on conflict do nothing;
          return null;
        end
      $$;
    -- A word that no client has any more is forgotten.
    create function forget_client_words() returns trigger
      language plpgsql security definer set search_path = public, pg_temp as $$
        begin
          delete from client_word k using (select distinct o.salon_id, w from gone o, client_words(o.name || ' ' || o.note) w) g
            where k.salon_id = g.salon_id and k.word = g.w
              and not exists (select 1 from client c where c.salon_id = g.salon_id and c.search like '%' || g.w || '%');
          return null;
        end
      $$;
    create trigger words_added after insert on client referencing new table as added for each statement execute function keep_client_words();
    create trigger words_changed after update on client referencing new table as added for each statement execute function keep_client_words();
    create trigger words_gone after delete on client referencing old table as gone for each statement execute function forget_client_words();
    create trigger words_changed_away after update on client referencing old table as gone for each statement execute function forget_client_words();
  `);
  await protect(knex, ['client_word']);
  // Clients that were there before, salon by salon: the owner of the tables, a member of lattice_lookup, sees those of all salons.
  await knex.raw(`
    do $$
      declare salon uuid;
      begin
        for salon in select id from salon loop
          perform set_config('lattice.salon', salon::text, true);
          insert into client_word (salon_id, word) select distinct c.salon_id, w from client c, client_words(c.name || ' ' || c.note) w
            where c.salon_id = salon on conflict do nothing;
        end loop;
        perform set_config('lattice.salon', '', true);
      end
    $$;
  `);
  await knex.raw(`
    drop function find_clients(text[], integer);

    create function as_pattern(said text) returns text
      language sql immutable as $$ select replace(replace(replace(said, '\\', '\\\\'), '%', '\\%'), '_', '\\_') $$;

    -- The condition that a column holds every one of the words, each as it is written.
    create function all_words(column_name text, wanted text[]) returns text
      language sql immutable set search_path = public, pg_temp as $$
        select string_agg(column_name || ' like ' || quote_literal('%' || as_pattern(w) || '%'), ' and ') from unnest(wanted) w
      $$;

    create function find_clients(wanted text[], most integer, archived boolean)
      returns table (client_id uuid, rank integer)
      language plpgsql stable security definer
      set search_path = public, pg_temp
      set pg_trgm.word_similarity_threshold = 0.38
      set random_page_cost = 1.1 as $$
        declare
          own uuid := lattice_salon();
          -- The longest word leads; the others are held against what it finds.
          key text := (select w from unnest(wanted) w order by length(w) desc limit 1);
          begins text := as_pattern(key) || '%';
          holds text := all_words('c.search', wanted);
          -- Written out, so that each search is planned for its own words: a rare one by the index, a common one from the start of the table.
          of_salon text := format('c.salon_id = %L and c.merged_into is null and c.archived_at is %s null and ', own, case when archived then 'not' else '' end);
          alike text[];
          found_some boolean := false;
        begin
          if own is null or key is null then
            return;
          end if;
          -- Names that begin with it come first.
          return query execute format(
            'select f.id, row_number() over (order by f.name)::integer from (
               select c.id, lower(c.name) as name from client c where %s lower(c.name) like %L and %s limit %s) f', of_salon, begins, holds, most);
          found_some := found;
          -- Then any part of what is written; of a word too short for that, the beginning of one.
          return query execute format(
            'select f.id, (%s + row_number() over (order by f.name))::integer from (
               select c.id, lower(c.name) as name from client c where %s not lower(c.name) like %L and %s and c.search like %L limit %s) f',
            most, of_salon, begins, holds, case when length(key) < 3 then '% ' else '%' end || begins, most);
          if found or found_some or length(key) < 3 then
            return;
          end if;
          -- Nothing is written so: words of this salon that are much like the longest, and clients who have one of them.
          alike := array(
            select '%' || as_pattern(k.word) || '%' from client_word k
            where k.salon_id = own and key <% k.word
            order by word_similarity(key, k.word) desc, k.word limit 12);
          return query
            select f.id, (2 * most + row_number() over (order by f.likeness desc, f.name))::integer from (
              select c.id, lower(c.name) as name, word_similarity(key, c.search) as likeness from client c
              where c.salon_id = own and (c.archived_at is not null) = archived and c.merged_into is null and c.search like any (alike)
                and not exists (select 1 from unnest(wanted) w where position(w in c.search) = 0 and not w <% c.search)
              limit most) f;
        end
      $$;

    -- Clients by a pattern of theirs, or by what was done and with what.
    create function find_by_pattern(wanted text[], most integer)
      returns table (client_id uuid, visit_id uuid, pattern text)
      language plpgsql stable security definer set search_path = public, pg_temp
      -- The rows lie in memory or on a fast disk: an index is worth it for all but the commonest words.
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
             ) f
             join visit v on v.id = f.visit_id and v.salon_id = %1$L
             join plan l on l.visit_id = v.id and l.salon_id = %1$L
             join client c on c.id = v.client_id and c.salon_id = %1$L and c.archived_at is null
             order by v.client_id, v.held_on desc
             limit %4$s', own, all_words('n.name', wanted), all_words('o.search', wanted), most);
        end
      $$;
  `);
  await handToLookup(knex, ['find_clients(text[], integer, boolean)', 'find_by_pattern(text[], integer)']);
}

export async function down(knex: Knex): Promise<void> {
  const before = await import('./0003-search');
  await knex.raw(`
    drop function find_by_pattern(text[], integer), find_clients(text[], integer, boolean), all_words(text, text[]), as_pattern(text);
    drop trigger words_added on client;
    drop trigger words_changed on client;
    drop trigger words_gone on client;
    drop trigger words_changed_away on client;
    drop function keep_client_words(), forget_client_words(), client_words(text);
    drop policy lookup on plan;
    drop policy lookup on outcome;
    drop policy lookup on visit;
    revoke select on plan, outcome, visit from lattice_lookup;
    drop table client_word;
    drop index client_begins;
    alter table plan drop column search;
    alter table outcome drop column search;
  `);
  await knex.raw(before.FIND_CLIENTS);
}

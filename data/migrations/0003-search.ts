import type { Knex } from 'knex';

/** The search of this version. */
export const FIND_CLIENTS = `
    create function find_clients(wanted text[], most integer)
      returns table (client_id uuid, rank integer)
      language plpgsql stable security definer
      set search_path = public, pg_temp
      set pg_trgm.word_similarity_threshold = 0.4 as $$
        declare
          -- The longest word is looked up in the index; the others are held against what it finds.
          key text := (select w from unnest(wanted) w order by length(w) desc limit 1);
          plain text := replace(replace(replace(key, '\\', '\\\\'), '%', '\\%'), '_', '\\_');
        begin
          if lattice_salon() is null or key is null then
            return;
          elsif length(key) < 3 then
            -- Too short for a part of a word: the beginning of one.
            return query
              select f.id, row_number() over (order by f.name)::integer from (
                select c.id, lower(c.name) as name from client c
                where c.salon_id = lattice_salon() and (c.search like plain || '%' or c.search like '% ' || plain || '%')
                  and not exists (select 1 from unnest(wanted) w where position(w in c.search) = 0)
                order by lower(c.name) limit most) f;
          else
            return query
              select f.id, row_number() over (order by f.exact desc, f.alike desc, f.name)::integer from (
                select c.id, lower(c.name) as name, lower(c.name) like plain || '%' as exact, word_similarity(key, c.search) as alike
                from client c
                where c.salon_id = lattice_salon() and (c.search like '%' || plain || '%' or key <% c.search)
                  and not exists (select 1 from unnest(wanted) w where position(w in c.search) = 0 and not w <% c.search)
                order by exact desc, alike desc, name limit most) f;
          end if;
        end
      $$;

    grant create on schema public to lattice_lookup;
    alter function find_clients(text[], integer) owner to lattice_lookup;
    revoke create on schema public from lattice_lookup;
    revoke all on function find_clients(text[], integer) from public;
    grant execute on function find_clients(text[], integer) to lattice_app;
`;

/**
 * Clients found as one types, whatever part of name, phone or note, and with a slip of the finger.
 *
 * Under row-level security PostgreSQL does not use a trigram index, since LIKE could leak what the policy hides. So the
 * search is a function of lattice_lookup that looks at the set salon only and gives back nothing but ids and a rank.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create extension if not exists pg_trgm;
    create extension if not exists btree_gin;

    -- What is searched: as written, and the phone number's digits alone.
    alter table client add column search text not null
      generated always as (lower(name || ' ' || phone || ' ' || regexp_replace(phone, '[^0-9]', '', 'g') || ' ' || note)) stored;
    create index client_search on client using gin (salon_id, search gin_trgm_ops);

    create policy lookup on client for select to lattice_lookup using (true);
    grant select on client to lattice_lookup;
  `);
  await knex.raw(FIND_CLIENTS);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop function find_clients(text[], integer);
    drop policy lookup on client;
    revoke select on client from lattice_lookup;
    alter table client drop column search;
  `);
}

import type { Knex } from 'knex';

/** When somebody works; null: as the salon is open. An e-mail address beside the phone, which is found too. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table person add column hours jsonb;
    grant update (hours) on person to lattice_app;

    alter table client add column email text not null default '' check (length(email) <= 200);
    alter table client drop column search;
    alter table client add column search text not null
      generated always as (lower(name || ' ' || phone || ' ' || regexp_replace(phone, '[^0-9]', '', 'g') || ' ' || email || ' ' || note)) stored;
    create index client_search on client using gin (salon_id, search gin_trgm_ops);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table client drop column search;
    alter table client drop column email;
    alter table client add column search text not null
      generated always as (lower(name || ' ' || phone || ' ' || regexp_replace(phone, '[^0-9]', '', 'g') || ' ' || note)) stored;
    create index client_search on client using gin (salon_id, search gin_trgm_ops);
    alter table person drop column hours;
  `);
}

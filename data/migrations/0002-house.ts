import type { Knex } from 'knex';

const SALON_TABLES = ['house', 'technique', 'technique_version'];

/** What a salon sets for itself, and its own techniques, of which every saved version is kept. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table house (
      salon_id uuid primary key references salon (id),
      document jsonb not null check (document -> 'version' is not null),
      revision integer not null default 1 check (revision > 0),
      updated_at timestamptz not null default now(),
      updated_by uuid not null,
      foreign key (salon_id, updated_by) references person (salon_id, id)
    );

    create table technique (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null references salon (id),
      archived_at timestamptz,
      created_at timestamptz not null default now(),
      created_by uuid not null,
      unique (salon_id, id),
      foreign key (salon_id, created_by) references person (salon_id, id)
    );

    create table technique_version (
      technique_id uuid not null,
      salon_id uuid not null,
      number integer not null check (number > 0),
      document jsonb not null check (document ->> 'format' = 'dappled-lattice/technique' and document -> 'version' is not null),
      saved_at timestamptz not null default now(),
      saved_by uuid not null,
      primary key (technique_id, number),
      foreign key (salon_id, technique_id) references technique (salon_id, id),
      foreign key (salon_id, saved_by) references person (salon_id, id)
    );
    create index technique_by_salon on technique (salon_id) where archived_at is null;
  `);
  for (const table of SALON_TABLES) {
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy own_salon on ${table} using (salon_id = lattice_salon()) with check (salon_id = lattice_salon());
    `);
  }
  // A version, once saved, is never changed.
  await knex.raw(`
    grant select, insert, update on house to lattice_app;
    grant select, insert on technique, technique_version to lattice_app;
    grant update (archived_at) on technique to lattice_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table technique_version, technique, house');
}

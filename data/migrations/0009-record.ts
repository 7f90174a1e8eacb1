import type { Knex } from 'knex';
import { eraseClient } from './0007-mix';
import { protect } from './protect';

/** Signing off: from then on no document of the visit changes, and what is to be put right stands beside it with its date. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table outcome add column signed_at timestamptz, add column signed_by uuid,
      add foreign key (salon_id, signed_by) references person (salon_id, id),
      add check ((signed_at is null) = (signed_by is null));

    create table addendum (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      visit_id uuid not null,
      at timestamptz not null default now(),
      person_id uuid not null,
      words text not null check (length(words) between 1 and 2000),
      foreign key (salon_id, visit_id) references visit (salon_id, id),
      foreign key (salon_id, person_id) references person (salon_id, id)
    );
    create index addendum_by_visit on addendum (salon_id, visit_id, at);

    create function refuse_signed() returns trigger language plpgsql as $$
      declare
        wanted uuid;
      begin
        if tg_table_name = 'visit' then wanted := new.id; else wanted := new.visit_id; end if;
        if exists (select 1 from outcome o where o.visit_id = wanted and o.signed_at is not null) then
          raise exception 'the record of visit % is signed off', wanted using errcode = 'LT001';
        end if;
        return new;
      end
    $$;
    create trigger signed before update on outcome for each row when (old.signed_at is not null) execute function refuse_signed();
    create trigger signed before insert or update on plan for each row execute function refuse_signed();
    create trigger signed before insert or update on mix for each row execute function refuse_signed();
    create trigger signed before update of consult, held_on on visit for each row execute function refuse_signed();
  `);
  await protect(knex, ['addendum']);
  await knex.raw('grant select, insert on addendum to lattice_app');
  await knex.raw(eraseClient(true, true, true));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(eraseClient(true, true));
  await knex.raw(`
    drop trigger signed on outcome;
    drop trigger signed on plan;
    drop trigger signed on mix;
    drop trigger signed on visit;
    drop function refuse_signed();
    drop table addendum;
    alter table outcome drop column signed_by, drop column signed_at;
  `);
}

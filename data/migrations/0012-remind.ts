import type { Knex } from 'knex';
import { eraseClient } from './0007-mix';
import { protect } from './protect';

/** Reminder texts, each once for what it is about; clients are texted only with their consent. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table consent drop constraint consent_kind_check, add check (kind in ('photo', 'service', 'guardian', 'reminders'));

    create table reminder (
      id uuid primary key default gen_random_uuid(),
      salon_id uuid not null,
      client_id uuid not null,
      -- Null for a visit that is due and not booked.
      appointment_id uuid,
      -- The day and time that it speaks of, where the salon is: a moved appointment is reminded of again.
      about text not null check (length(about) between 10 and 16),
      phone text not null check (length(phone) between 7 and 40),
      words text not null check (length(words) between 1 and 800),
      state text not null default 'queued' check (state in ('queued', 'sent', 'failed')),
      problem text not null default '' check (length(problem) <= 300),
      created_at timestamptz not null default now(),
      created_by uuid not null,
      sent_at timestamptz,
      check ((state = 'sent') = (sent_at is not null)),
      foreign key (salon_id, client_id) references client (salon_id, id),
      foreign key (salon_id, appointment_id) references appointment (salon_id, id),
      foreign key (salon_id, created_by) references person (salon_id, id)
    );
    create unique index reminder_once on reminder (salon_id, appointment_id, about) where appointment_id is not null;
    create index reminder_by_client on reminder (salon_id, client_id, created_at desc);
  `);
  await protect(knex, ['reminder']);
  await knex.raw('grant select, insert, update (client_id, phone, words, state, problem, sent_at) on reminder to lattice_app');
  await knex.raw(eraseClient(true, true, true, true, true));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(eraseClient(true, true, true, true));
  await knex.raw(`
    drop table reminder;
    alter table consent drop constraint consent_kind_check, add check (kind in ('photo', 'service', 'guardian'));
  `);
}

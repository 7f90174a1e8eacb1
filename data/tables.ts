// Generated from the migrations by `npm run tables`. data/tables.test.ts fails where it is not what they make.
import type { Knex } from 'knex';

/** What a column takes: moments as text too, and any expression. */
type Given<T> = T | (T extends Date ? string : T extends string[] ? readonly string[] : never) | Knex.Raw;

/** A table by its rows, and the columns that an insert may leave out. */
type Table<Row, Filled extends keyof Row> = Knex.CompositeTableType<
  Row,
  { [C in Exclude<keyof Row, Filled>]: Given<Row[C]> } & { [C in Filled]?: Given<Row[C]> },
  { [C in keyof Row]?: Given<Row[C]> }
>;

export interface AccessLinkRow {
  id: string;
  salon_id: string;
  kind: 'invitation' | 'reset';
  token_hash: string;
  role: 'owner' | 'colourist' | 'assistant' | null;
  person_id: string | null;
  created_at: Date;
  created_by: string | null;
  expires_at: Date;
  used_at: Date | null;
  revoked_at: Date | null;
}

export interface AddendumRow {
  id: string;
  salon_id: string;
  visit_id: string;
  at: Date;
  person_id: string;
  words: string;
}

export interface ApiTokenRow {
  id: string;
  salon_id: string;
  name: string;
  secret_hash: string;
  scopes: string[];
  person_id: string;
  created_at: Date;
  created_by: string;
  used_at: Date | null;
  revoked_at: Date | null;
  minute_from: Date;
  minute_count: number;
}

export interface AppointmentRow {
  id: string;
  salon_id: string;
  client_id: string;
  person_id: string;
  starts_at: Date;
  minutes: number;
  kind: 'full' | 'face' | 'toner' | 'consult' | 'alert-test' | 'redo';
  state: 'booked' | 'cancelled' | 'no-show';
  note: string;
  visit_id: string | null;
  redo_of: string | null;
  revision: number;
  created_at: Date;
  created_by: string;
  updated_at: Date;
}

export interface AttemptRow {
  key: string;
  at: Date;
}

export interface CalendarFeedRow {
  id: string;
  salon_id: string;
  person_id: string;
  secret_hash: string;
  created_at: Date;
  revoked_at: Date | null;
}

export interface CautionReasonRow {
  id: string;
  salon_id: string;
  visit_id: string;
  caution: string;
  seen: string;
  reason: string;
  given_at: Date;
  given_by: string;
}

export interface ClientRow {
  id: string;
  salon_id: string;
  name: string;
  phone: string;
  note: string;
  created_at: Date;
  created_by: string;
  born_on: string | null;
  archived_at: Date | null;
  merged_into: string | null;
  revision: number;
  email: string;
  search: string;
}

export interface ClientAnswerRow {
  id: string;
  salon_id: string;
  client_id: string;
  document: unknown;
  revision: number;
  changed_at: Date;
  sent_at: Date | null;
  settled_at: Date | null;
  settled_by: string | null;
}

export interface ClientMergeRow {
  id: string;
  salon_id: string;
  from_id: string;
  into_id: string;
  moved: unknown;
  before: unknown;
  at: Date;
  person_id: string;
  undone_at: Date | null;
}

export interface ClientPageRow {
  id: string;
  salon_id: string;
  client_id: string;
  secret_hash: string;
  created_at: Date;
  created_by: string | null;
  expires_at: Date;
  revoked_at: Date | null;
}

export interface ClientWordRow {
  salon_id: string;
  word: string;
}

export interface ConsentRow {
  id: string;
  salon_id: string;
  client_id: string;
  kind: 'photo' | 'service' | 'guardian' | 'reminders';
  words: string;
  signed_name: string;
  signature: unknown;
  given_at: Date;
  taken_by: string | null;
  withdrawn_at: Date | null;
}

export interface DraftRow {
  id: string;
  salon_id: string;
  person_id: string;
  visit_id: string;
  part: 'consult' | 'plan' | 'mix' | 'outcome';
  base_revision: number;
  document: unknown;
  kept_at: Date;
  edit_id: string;
}

export interface HairTestRow {
  id: string;
  salon_id: string;
  client_id: string;
  kind: 'alert' | 'strand';
  on_day: string;
  document: unknown;
  result: 'clear' | 'reaction' | 'passed' | 'failed' | null;
  noted_at: Date;
  noted_by: string;
}

export interface HouseRow {
  salon_id: string;
  document: unknown;
  revision: number;
  updated_at: Date;
  updated_by: string;
}

export interface LearntSinceRow {
  salon_id: string;
  product: string;
  since: Date;
  set_by: string;
}

export interface MixRow {
  visit_id: string;
  salon_id: string;
  document: unknown;
  search: string;
  revision: number;
  last_edit: string | null;
  updated_at: Date;
  updated_by: string;
  before: unknown;
}

export interface OutcomeRow {
  visit_id: string;
  salon_id: string;
  document: unknown;
  revision: number;
  last_edit: string | null;
  recorded_at: Date;
  recorded_by: string;
  search: string;
  signed_at: Date | null;
  signed_by: string | null;
  before: unknown;
}

export interface PersonRow {
  id: string;
  salon_id: string;
  name: string;
  email: string;
  role: 'owner' | 'colourist' | 'assistant';
  password_hash: string;
  active: boolean;
  created_at: Date;
  pin_hash: string | null;
  learnt_since: Date | null;
  hours: unknown;
}

export interface PhotoRow {
  id: string;
  salon_id: string;
  client_id: string;
  visit_id: string | null;
  kind: 'wish' | 'hair';
  width: number;
  height: number;
  note: string;
  document: unknown;
  revision: number;
  stored_in: 'database' | 'objects';
  taken_at: Date;
  taken_by: string | null;
  archived_at: Date | null;
}

export interface PhotoBytesRow {
  photo_id: string;
  salon_id: string;
  size: 'full' | 'small';
  bytes: Buffer;
}

export interface PlanRow {
  id: string;
  salon_id: string;
  visit_id: string;
  document: unknown;
  revision: number;
  last_edit: string | null;
  updated_at: Date;
  updated_by: string;
  search: string;
  before: unknown;
}

export interface ProductRangeRow {
  salon_id: string;
  document: unknown;
  revision: number;
  updated_at: Date;
  updated_by: string;
}

export interface ReminderRow {
  id: string;
  salon_id: string;
  client_id: string;
  appointment_id: string | null;
  about: string;
  phone: string;
  words: string;
  state: 'queued' | 'sent' | 'failed';
  problem: string;
  created_at: Date;
  created_by: string | null;
  sent_at: Date | null;
}

export interface SalonRow {
  id: string;
  name: string;
  demo: boolean;
  created_at: Date;
}

export interface ServiceRow {
  visit_id: string;
  salon_id: string;
  script: unknown;
  begun_at: Date;
  last_position: number;
  finished_at: Date | null;
  clock_ahead_ms: number;
}

export interface ServiceEventRow {
  salon_id: string;
  visit_id: string;
  position: number;
  id: string;
  device: string;
  at: Date;
  made_at: Date;
  person_id: string;
  body: unknown;
}

export interface SessionRow {
  id: string;
  salon_id: string;
  person_id: string;
  created_at: Date;
  expires_at: Date;
  revoked_at: Date | null;
  seen_at: Date;
  locked_at: Date | null;
  device: string;
}

export interface StockRow {
  salon_id: string;
  product: string;
  amount: string;
}

export interface StockMoveRow {
  id: string;
  salon_id: string;
  product: string;
  what: 'used' | 'counted';
  change: string;
  visit_id: string | null;
  person_id: string;
  at: Date;
}

export interface TechniqueRow {
  id: string;
  salon_id: string;
  archived_at: Date | null;
  created_at: Date;
  created_by: string;
}

export interface TechniqueVersionRow {
  technique_id: string;
  salon_id: string;
  number: number;
  document: unknown;
  saved_at: Date;
  saved_by: string;
}

export interface TrailRow {
  id: string;
  salon_id: string;
  at: Date;
  person_id: string | null;
  client_id: string | null;
  visit_id: string | null;
  act: string;
  details: unknown;
}

export interface VisitRow {
  id: string;
  salon_id: string;
  client_id: string;
  person_id: string;
  held_on: string;
  consult: unknown;
  consult_revision: number;
  consult_edit: string | null;
  created_at: Date;
  begun_at: Date | null;
  begun_by: string | null;
  consult_before: unknown;
}

declare module 'knex/types/tables' {
  interface Tables {
    access_link: Table<AccessLinkRow, 'id' | 'role' | 'person_id' | 'created_at' | 'created_by' | 'used_at' | 'revoked_at'>;
    addendum: Table<AddendumRow, 'id' | 'at'>;
    api_token: Table<ApiTokenRow, 'id' | 'created_at' | 'used_at' | 'revoked_at' | 'minute_from' | 'minute_count'>;
    appointment: Table<AppointmentRow, 'id' | 'state' | 'note' | 'visit_id' | 'redo_of' | 'revision' | 'created_at' | 'updated_at'>;
    attempt: Table<AttemptRow, 'at'>;
    calendar_feed: Table<CalendarFeedRow, 'id' | 'created_at' | 'revoked_at'>;
    caution_reason: Table<CautionReasonRow, 'id' | 'given_at'>;
    client: Table<ClientRow, 'id' | 'phone' | 'note' | 'created_at' | 'born_on' | 'archived_at' | 'merged_into' | 'revision' | 'email' | 'search'>;
    client_answer: Table<ClientAnswerRow, 'id' | 'revision' | 'changed_at' | 'sent_at' | 'settled_at' | 'settled_by'>;
    client_merge: Table<ClientMergeRow, 'id' | 'at' | 'undone_at'>;
    client_page: Table<ClientPageRow, 'id' | 'created_at' | 'created_by' | 'revoked_at'>;
    client_word: Table<ClientWordRow, never>;
    consent: Table<ConsentRow, 'id' | 'signature' | 'given_at' | 'taken_by' | 'withdrawn_at'>;
    draft: Table<DraftRow, 'id' | 'kept_at' | 'edit_id'>;
    hair_test: Table<HairTestRow, 'id' | 'result' | 'noted_at'>;
    house: Table<HouseRow, 'revision' | 'updated_at'>;
    learnt_since: Table<LearntSinceRow, 'since'>;
    mix: Table<MixRow, 'search' | 'revision' | 'last_edit' | 'updated_at' | 'before'>;
    outcome: Table<OutcomeRow, 'revision' | 'last_edit' | 'recorded_at' | 'search' | 'signed_at' | 'signed_by' | 'before'>;
    person: Table<PersonRow, 'id' | 'active' | 'created_at' | 'pin_hash' | 'learnt_since' | 'hours'>;
    photo: Table<PhotoRow, 'id' | 'visit_id' | 'note' | 'revision' | 'taken_at' | 'taken_by' | 'archived_at'>;
    photo_bytes: Table<PhotoBytesRow, never>;
    plan: Table<PlanRow, 'id' | 'revision' | 'last_edit' | 'updated_at' | 'search' | 'before'>;
    product_range: Table<ProductRangeRow, 'revision' | 'updated_at'>;
    reminder: Table<ReminderRow, 'id' | 'appointment_id' | 'state' | 'problem' | 'created_at' | 'created_by' | 'sent_at'>;
    salon: Table<SalonRow, 'id' | 'demo' | 'created_at'>;
    service: Table<ServiceRow, 'last_position' | 'finished_at' | 'clock_ahead_ms'>;
    service_event: Table<ServiceEventRow, never>;
    session: Table<SessionRow, 'id' | 'created_at' | 'revoked_at' | 'seen_at' | 'locked_at' | 'device'>;
    stock: Table<StockRow, never>;
    stock_move: Table<StockMoveRow, 'id' | 'visit_id' | 'at'>;
    technique: Table<TechniqueRow, 'id' | 'archived_at' | 'created_at'>;
    technique_version: Table<TechniqueVersionRow, 'saved_at'>;
    trail: Table<TrailRow, 'id' | 'at' | 'person_id' | 'client_id' | 'visit_id' | 'details'>;
    visit: Table<VisitRow, 'id' | 'consult_revision' | 'consult_edit' | 'created_at' | 'begun_at' | 'begun_by' | 'consult_before'>;
  }
}

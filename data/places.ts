import type { ValueResult } from '../core/units';
import { parseConsult, parseMix, parseOutcome, parsePlan } from '../core/formats';
import type { VisitPart } from './drafts';

/** Where each part of a visit lies. */
export const PLACES = {
  consult: {
    table: 'visit',
    key: 'id',
    document: 'consult',
    before: 'consult_before',
    revision: 'consult_revision',
    edit: 'consult_edit',
  },
  plan: {
    table: 'plan',
    key: 'visit_id',
    document: 'document',
    before: 'before',
    revision: 'revision',
    edit: 'last_edit',
  },
  mix: {
    table: 'mix',
    key: 'visit_id',
    document: 'document',
    before: 'before',
    revision: 'revision',
    edit: 'last_edit',
  },
  outcome: {
    table: 'outcome',
    key: 'visit_id',
    document: 'document',
    before: 'before',
    revision: 'revision',
    edit: 'last_edit',
  },
} as const satisfies Record<VisitPart, Record<string, string>>;

/** How each is read, whatever its age. */
export const READ: Readonly<Record<VisitPart, (value: unknown) => ValueResult<unknown>>> = {
  consult: parseConsult,
  plan: parsePlan,
  mix: parseMix,
  outcome: parseOutcome,
};

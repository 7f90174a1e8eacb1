import type { CautionKey, HairTest } from '@/core/caution';
import type { TestDocument } from '@/core/formats';

/** A test as it is kept; the server's reads have this shape. */
export interface KeptTest extends HairTest {
  readonly id: string;
  readonly document: TestDocument;
  readonly notedBy: string;
}

export const CONSENT_KINDS = ['photo', 'service', 'guardian'] as const;
export type ConsentKind = (typeof CONSENT_KINDS)[number];

export interface Consent {
  readonly id: string;
  readonly kind: ConsentKind;
  readonly words: string;
  readonly signedName: string;
  /** Strokes of the pen: x and y in turn, 0–1. */
  readonly signature: readonly (readonly number[])[];
  readonly givenAt: string;
  readonly withdrawnAt: string | null;
  readonly takenBy: string;
}

export interface GivenReason {
  readonly caution: CautionKey;
  readonly seen: string;
  readonly reason: string;
  readonly givenBy: string;
  readonly givenAt: string;
}

/** What cautions rest on beside the consultation. */
export interface Safety {
  readonly tests: readonly KeptTest[];
  readonly consents: readonly Consent[];
  readonly reasons: readonly GivenReason[];
}

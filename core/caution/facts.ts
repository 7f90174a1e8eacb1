import { zoneName, ZONES } from '../head';
import { isFragile, type Consult, type ConsentKind } from '../visit';
import { cautionsOf, stopsFirst, type Caution, type CautionFacts, type CautionLimits } from './caution';
import { mixCautions, type MixCautionFacts, type StrengthLimits } from './mix-cautions';

/** What the consultation says that cautions rest on. */
export function factsIn(consult: Consult): Pick<CautionFacts, 'health' | 'dyeInHistory' | 'fragileZones'> {
  return {
    health: consult.health,
    dyeInHistory: consult.history.some(({ what }) => what === 'metallic' || what === 'plant'),
    fragileZones: ZONES.filter((zone) => isFragile(consult.map[zone])).map((zone) =>
      zoneName(zone).toLowerCase(),
    ),
  };
}

/** What is on record of a client beside the consultation. */
export interface OnRecord {
  readonly tests: CautionFacts['tests'];
  readonly consents: readonly { readonly kind: ConsentKind; readonly withdrawnAt: string | null }[];
}

/**
 * The cautions of a consultation with what is on record, on a day, and of what is mixed; stops first.
 * @param mixed null where nothing is mixed yet
 */
export function cautionsFor({
  consult,
  onRecord: { tests, consents },
  about,
  limits,
  mixed = null,
}: {
  readonly consult: Consult;
  readonly onRecord: OnRecord;
  readonly about: Pick<CautionFacts, 'onDay' | 'bornOn'>;
  readonly limits: CautionLimits & StrengthLimits;
  readonly mixed?: MixCautionFacts | null;
}): Caution[] {
  const guardianConsent = consents.some(
    ({ kind, withdrawnAt }) => kind === 'guardian' && withdrawnAt === null,
  );
  const cautions = cautionsOf({ ...factsIn(consult), ...about, tests, guardianConsent }, limits);
  return mixed === null ? cautions : stopsFirst([...cautions, ...mixCautions(mixed, limits)]);
}

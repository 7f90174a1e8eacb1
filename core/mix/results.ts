import type { CorrectionResult } from './corrections';
import type { RootResult, TonerResult } from './tone';

interface Refused {
  readonly ok: false;
  readonly problem: string;
}

/** What the colours of a visit are mixed of, each by its id. */
export interface ColourResults {
  readonly toners: readonly { readonly id: string; readonly result: TonerResult | Refused }[];
  readonly roots: readonly { readonly id: string; readonly result: RootResult | Refused }[];
  readonly corrections: readonly { readonly id: string; readonly result: CorrectionResult }[];
}

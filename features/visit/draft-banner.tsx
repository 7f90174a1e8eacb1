'use client';

import { useState } from 'react';
import { parsePlan } from '@/core/formats';
import { panelDifferences, type PanelDifference } from '@/core/pattern';
import { Button } from '@/ui/button';
import { WarnIcon } from '@/ui/icons';
import { PART_NAMES } from './edits';
import { useVisit, type OpenDraft } from './store';

/**
 * Says that an edit was refused because somebody saved first, what differs, and offers to take one's own
 * over.
 */
export function DraftBanner() {
  const { drafts } = useVisit();
  return drafts.map((draft) => <Draft key={draft.editId} draft={draft} />);
}

function Draft({ draft }: { draft: OpenDraft }) {
  const { bundle, takeDraft, dropDraft } = useVisit();
  const { signed } = bundle.signOff;
  const [all, setAll] = useState(false);
  const { differences } = draft;
  const shown = all ? differences : differences.slice(0, 3);
  return (
    <section
      aria-label="Your draft"
      role="alert"
      className="flex max-h-[40dvh] items-start gap-4 overflow-y-auto border-b border-line bg-amber-pale px-4 py-3"
    >
      <span className="mt-0.5 text-amber-bark">
        <WarnIcon />
      </span>
      <div className="min-w-0 flex-1">
        <p className="font-semibold">
          {signed
            ? `${signed.by} signed this visit off before your change to the ${PART_NAMES[draft.part]} was saved. It is not in the record: put what is to be corrected into an addendum.`
            : `You and somebody else changed the same thing in the ${PART_NAMES[draft.part]}. Theirs was saved first; yours is kept here as a draft.`}
        </p>
        <ul className="text-sm">
          {shown.map(({ where, mine, theirs }) => (
            <li key={where}>
              {where}: yours <b>{mine}</b>, saved <b>{theirs}</b>
            </li>
          ))}
        </ul>
        {differences.length > 3 && (
          <button
            type="button"
            className="text-sm font-semibold text-amber-bark underline"
            onClick={() => setAll(!all)}
          >
            {all ? 'Show fewer' : `Show all ${differences.length} differences`}
          </button>
        )}
        {draft.part === 'plan' && !signed && <ByPanel draft={draft} />}
      </div>
      <Button small onClick={() => dropDraft(draft)}>
        {signed ? 'Discard mine' : 'Keep the saved one'}
      </Button>
      {!signed && (
        <Button small look="primary" onClick={() => takeDraft(draft)}>
          Apply mine
        </Button>
      )}
    </section>
  );
}

/** What one press does with a panel that differs. */
const doesWith = (name: string, kind: PanelDifference['kind']) =>
  ({
    changed: `Apply ${name}, as you have it`,
    added: `Add ${name}, as you did`,
    removed: `Remove ${name}, as you did`,
  })[kind];

/** The panels that differ, each to be taken over alone. */
function ByPanel({ draft }: { draft: OpenDraft }) {
  const { plan, takeDraftPanel } = useVisit();
  const read = parsePlan(draft.document);
  const panels = read.ok ? panelDifferences(plan, read.value) : [];
  if (panels.length === 0) return null;
  return (
    <ul aria-label="Panel by panel" className="mt-2 flex flex-wrap gap-2">
      {panels.map(({ id, name, kind }) => (
        <li key={id}>
          <Button small onClick={() => takeDraftPanel(draft, id)}>
            {doesWith(name, kind)}
          </Button>
        </li>
      ))}
    </ul>
  );
}

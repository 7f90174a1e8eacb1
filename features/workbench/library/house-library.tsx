'use client';

import { entriesOf, type ValueResult } from '@/core/units';
import { useEffect, useMemo, useState, useTransition } from 'react';
import {
  MOST_PATTERN_BYTES,
  patternFile,
  readPatternFile,
  TECHNIQUE_FORMAT,
  TECHNIQUE_GROUPS,
  TECHNIQUE_VERSION,
  type OwnTechnique,
  type TechniqueGroup,
} from '@/core/formats';
import { createPatternEngine } from '@/core/pattern';
import { applyTechnique } from '@/core/technique';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { TextField } from '@/ui/field';
import { Select } from '@/ui/select';
import { keepOwnTechnique, ownTechniques, putTechniqueAway } from '../../house/actions';
import { useCalendar } from '../../house/calendar';
import type { KeptTechnique } from '../../house/queries';
import { downloadText } from '../../download';
import { barkOf } from '../../visit/bark';
import { useVisit } from '../../visit/store';
import { TakeButtons, type TakePattern } from './take';
import { PatternCard } from './pattern-card';
import { useLaid } from './use-laid';
import { ANY, fits, WishFields, type Wish } from './wish';

const NEW = 'new';

/** It remembers heads, and what it remembers changes no result. */
const engine = createPatternEngine();

/** The house's own patterns with all their versions, and keeping the present one among them. */
export function HouseLibrary({ take, panelName }: { take: TakePattern; panelName: string | undefined }) {
  const calendar = useCalendar();
  const { plan, consult } = useVisit();
  const [kept, setKept] = useState<readonly KeptTechnique[]>();
  const [problem, setProblem] = useState<string>();
  const [shown, setShown] = useState<Readonly<Record<string, number>>>({});
  const [away, setAway] = useState<KeptTechnique>();
  const [wish, setWish] = useState<Wish>(ANY);
  const answered = (answer: ValueResult<KeptTechnique[]>) => {
    if (answer.ok) setKept(answer.value);
    setProblem(answer.ok ? undefined : answer.problem);
  };
  useEffect(() => {
    let here = true;
    void ownTechniques().then((answer) => here && answered(answer));
    return () => {
      here = false;
    };
  }, []);
  /** The drawing on this head with the pattern inside, for another salon. */
  const give = (document: OwnTechnique) => {
    const drawn = applyTechnique(plan, document);
    downloadText(
      `${
        document.name
          .replace(/[^\p{L}\p{N}]+/gu, '-')
          .replace(/^-|-$/g, '')
          .slice(0, 60) || 'pattern'
      }.svg`,
      patternFile(document, drawn, engine.compute(drawn)),
      'image/svg+xml',
    );
  };
  const receive = async (file: File) => {
    const read =
      file.size > MOST_PATTERN_BYTES
        ? ({ ok: false, problem: 'the file is larger than a pattern can be.' } as const)
        : readPatternFile(await file.text());
    if (!read.ok) return setProblem(`${file.name}: ${read.problem}`);
    answered(await keepOwnTechnique(read.value, null));
  };
  const version = (keptTechnique: KeptTechnique) =>
    keptTechnique.versions.find(({ number }) => number === shown[keptTechnique.id]) ??
    keptTechnique.versions[0];
  const laying = useMemo(
    () =>
      (kept ?? []).map((keptTechnique) => ({
        key: keptTechnique.id,
        technique: (
          keptTechnique.versions.find(({ number }) => number === shown[keptTechnique.id]) ??
          keptTechnique.versions[0]
        ).document,
      })),
    [kept, shown],
  );
  const laid = useLaid(laying.length > 0, plan, laying);
  const wanted = (kept ?? []).filter((keptTechnique) => fits(version(keptTechnique).document, wish));
  return (
    <>
      <Keep kept={kept ?? []} onKept={answered} />
      <p className="mb-3 flex flex-wrap items-center gap-3 text-base">
        <label
          className={`${buttonLook('plain', true)} cursor-pointer focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-leaf`}
        >
          Import a pattern file
          <input
            type="file"
            accept=".svg,.json,image/svg+xml,application/json"
            className="sr-only"
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (file) void receive(file);
              event.target.value = '';
            }}
          />
        </label>
        <span className="text-ink-soft">
          from another salon: a drawing with the pattern inside. “As a file” makes one.
        </span>
      </p>
      {problem && (
        <p role="alert" className="mb-3 text-base font-semibold text-rowan">
          {problem}
        </p>
      )}
      {away && (
        <p role="status" className="mb-3 flex items-center gap-3 text-base">
          {away.versions[0].document.name} is archived.
          <Button
            small
            onClick={async () => {
              answered(await putTechniqueAway(away.id, false));
              setAway(undefined);
            }}
          >
            Restore
          </Button>
        </p>
      )}
      {kept?.length === 0 && (
        <p className="py-6 text-center text-base text-ink-soft">
          No patterns of this house yet. Plan one, then save it here under a name of your own.
        </p>
      )}
      {kept !== undefined && kept.length > 0 && (
        <WishFields wish={wish} onChange={setWish} none={wanted.length === 0} />
      )}
      <ul
        className="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-4"
        aria-label="Patterns of this house"
      >
        {wanted.map((keptTechnique) => {
          const { document, savedAt, savedBy, number } = version(keptTechnique);
          return (
            <PatternCard
              key={keptTechnique.id}
              name={document.name}
              laid={laid.get(keptTechnique.id)}
              bark={barkOf(consult.naturalLevel)}
              purpose={document.purpose}
              more={
                keptTechnique.versions.length === 1 ? (
                  <p className="text-xs text-ink-soft">
                    Kept {calendar.dayOf(savedAt)} by {savedBy}
                  </p>
                ) : (
                  <Select
                    label={`Version of ${document.name}`}
                    hideLabel
                    value={String(number)}
                    onChange={(next) =>
                      setShown((before) => ({ ...before, [keptTechnique.id]: Number(next) }))
                    }
                    options={keptTechnique.versions.map((one) => ({
                      value: String(one.number),
                      words: `Version ${one.number}, ${calendar.dayOf(one.savedAt)}, ${one.savedBy}`,
                    }))}
                  />
                )
              }
              actions={
                <>
                  <TakeButtons technique={document} take={take} panelName={panelName} />
                  <Button
                    small
                    look="quiet"
                    aria-label={`As a file: ${document.name}`}
                    onClick={() => give(document)}
                  >
                    As a file
                  </Button>
                  <Button
                    small
                    look="quiet"
                    aria-label={`Archive: ${document.name}`}
                    onClick={async () => {
                      answered(await putTechniqueAway(keptTechnique.id, true));
                      setAway(keptTechnique);
                    }}
                  >
                    Archive
                  </Button>
                </>
              }
            />
          );
        })}
      </ul>
    </>
  );
}

/** Keeps the present pattern: under a new name, or as the next version of one that the house has. */
function Keep({
  kept,
  onKept,
}: {
  kept: readonly KeptTechnique[];
  onKept(answer: ValueResult<KeptTechnique[]>): void;
}) {
  const { plan } = useVisit();
  const [name, setName] = useState(plan.name);
  const [purpose, setPurpose] = useState('');
  const [group, setGroup] = useState<TechniqueGroup | ''>('');
  const [of, setOf] = useState(NEW);
  const [busy, start] = useTransition();
  const chosen = kept.find(({ id }) => id === of);
  const document: OwnTechnique = {
    format: TECHNIQUE_FORMAT,
    version: TECHNIQUE_VERSION,
    name: chosen?.versions[0].document.name ?? name,
    purpose: chosen && purpose === '' ? chosen.versions[0].document.purpose : purpose,
    groups: group === '' ? (chosen?.versions[0].document.groups ?? []) : [group],
    panels: plan.panels,
    sectioning: plan.sectioning,
  };
  return (
    <AskingForm
      name="own-pattern"
      className="mb-4 grid items-end gap-3 rounded-ui bg-leaf-pale p-4 sm:grid-cols-[1fr_1fr_1fr_160px_auto]"
      onSubmit={(event) => {
        event.preventDefault();
        start(async () => onKept(await keepOwnTechnique(document, chosen ? chosen.id : null)));
      }}
    >
      <Select
        label="Save the present pattern"
        value={of}
        onChange={setOf}
        options={[
          { value: NEW, words: 'as a new one' },
          ...kept.map((keptTechnique) => ({
            value: keptTechnique.id,
            words: `as version ${keptTechnique.versions[0].number + 1} of ${keptTechnique.versions[0].document.name}`,
          })),
        ]}
      />
      {chosen ? (
        <p className="pb-2 text-base text-ink-soft">Earlier versions stay.</p>
      ) : (
        <TextField
          label="Name"
          value={name}
          maxLength={120}
          onChange={(event) => setName(event.target.value)}
        />
      )}
      <TextField
        label="What it is for"
        value={purpose}
        maxLength={400}
        onChange={(event) => setPurpose(event.target.value)}
      />
      <Select
        label="Found under"
        value={group}
        onChange={(next) => setGroup(next)}
        options={[
          { value: '', words: chosen ? 'as before' : 'no group' },
          ...entriesOf(TECHNIQUE_GROUPS).map(([value, words]) => ({
            value,
            words,
          })),
        ]}
      />
      <Button
        server
        type="submit"
        look="primary"
        disabled={busy || plan.panels.length === 0 || document.name.trim() === ''}
      >
        Save
      </Button>
    </AskingForm>
  );
}

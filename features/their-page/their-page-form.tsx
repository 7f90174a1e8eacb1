'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import type { ClientAnswers } from '@/core/consult';
import { BRIGHTNESS } from '@/core/pattern';
import { calendarOf, minorPerUnit } from '@/core/units';
import { Button } from '@/ui/button';
import { TextArea, TextField } from '@/ui/field';
import { Select } from '@/ui/select';
import { Choice } from '../consult/question';
import { CalendarProvider } from '../house/calendar';
import { BeforeList } from './before-list';
import { OwnConsents } from './own-consents';
import { OwnPhotos } from './own-photos';
import { Card } from './card';
import type { TheirPage } from './types';
import { AnswersKeeper } from './answers-keeper';

const TONES = [
  { value: 'warm', words: 'Warm' },
  { value: 'neutral', words: 'Neutral' },
  { value: 'cool', words: 'Cool' },
  { value: 'bright', words: 'Bright white' },
] as const;
const CONTRASTS = [
  { value: 'blended', words: 'Blended' },
  { value: 'defined', words: 'Defined' },
  { value: 'high', words: 'Strong' },
] as const;
const FRAMES = [
  { value: 'none', words: 'None' },
  { value: 'soft', words: 'Soft' },
  { value: 'bold', words: 'Bold' },
] as const;
const SHARES = [
  ['0', 'Never'],
  ['0.25', 'Now and then'],
  ['0.5', 'Half the time'],
  ['0.75', 'Mostly'],
  ['1', 'Always'],
] as const;
const PARTS = [
  { value: 'never', words: 'Never' },
  { value: 'sometimes', words: 'Sometimes' },
  { value: 'often', words: 'Often' },
] as const;
const WEEKS = [4, 6, 8, 10, 12, 16, 26];
const WASHES = [1, 2, 3, 4, 5, 7];
const HOURS = [60, 90, 120, 150, 180, 240];
const OPEN = { value: '', words: 'Not sure' } as const;
const options = (all: readonly (readonly [string, string])[]) => [
  OPEN,
  ...all.map(([value, words]) => ({ value, words })),
];
const numberOr = (text: string) => (text === '' ? null : Number(text));
const STATE_WORDS = {
  saved: 'Saved',
  saving: 'Saving …',
  away: 'No network: it stays on this phone and is sent when it is back',
  refused: 'Not saved',
} as const;

/** The page on a client's own phone: what they wish for, told in their own time before the visit. */
export function TheirPageForm({ secret, page }: { secret: string; page: TheirPage }) {
  const [keeper] = useState(() => new AnswersKeeper(secret, page.answers, page.sentAt !== null));
  const { answers, state, problem, sent } = useSyncExternalStore(keeper.subscribe, keeper.read, keeper.read);
  useEffect(() => {
    keeper.resume();
    return () => keeper.stop();
  }, [keeper]);
  const change = (next: (before: ClientAnswers) => ClientAnswers) => keeper.change(next);
  const set = <K extends 'wish' | 'worn' | 'upkeep' | 'limits' | 'health'>(
    part: K,
    value: Partial<ClientAnswers[K]>,
  ) => change((before) => ({ ...before, [part]: { ...before[part], ...value } }));
  const { wish, worn, upkeep, limits, health } = answers;
  const calendar = calendarOf(page.written);
  const perUnit = minorPerUnit(page.currency);
  const [budget, setBudget] = useState(
    limits.budgetMinor === null ? '' : String(limits.budgetMinor / perUnit),
  );
  const firstName = page.clientName.split(/\s+/)[0];
  return (
    <CalendarProvider calendar={calendar}>
      <main className="mx-auto grid max-w-[560px] gap-4 px-4 pt-6 pb-28">
        <header>
          <p className="text-sm font-semibold text-leaf">{page.salonName}</p>
          <h1 className="text-2xl font-bold wide">Hello {firstName}</h1>
          {page.next ? (
            <p className="text-md">
              We look forward to seeing you on <b>{page.next.words}</b>. It is booked for {page.next.minutes}{' '}
              minutes.
            </p>
          ) : (
            <p className="text-md">Nothing is booked at the moment.</p>
          )}
          {page.agreed && (
            <p className="mt-1 text-md">
              Price: <b>{page.agreed}</b>. It is an estimate until you have spoken about it at the salon.
            </p>
          )}
          <p className="mt-2 text-sm text-ink-soft">
            Answer what you like and leave the rest open. Only the salon sees it, and your colourist goes
            through it with you. Open until {page.expiresOn}.
          </p>
        </header>

        {page.after && (
          <Card title={`After your visit of ${page.after.on}`}>
            <ul className="grid gap-2 text-md">
              {page.after.words.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          </Card>
        )}

        <Card title="What you wish for">
          <Select
            label="How bright"
            value={wish.brightness?.toString() ?? ''}
            options={options(
              BRIGHTNESS.map(({ step, words }) => [String(step), words[0].toUpperCase() + words.slice(1)]),
            )}
            onChange={(value) => set('wish', { brightness: numberOr(value) })}
          />
          <Choice label="Tone" value={wish.tone} options={TONES} onChange={(tone) => set('wish', { tone })} />
          <Choice
            label="Contrast"
            value={wish.contrast}
            options={CONTRASTS}
            onChange={(contrast) => set('wish', { contrast })}
          />
          <Choice
            label="Lights round the face"
            value={wish.faceFrame}
            options={FRAMES}
            onChange={(faceFrame) => set('wish', { faceFrame })}
          />
          <TextArea
            label="In your own words"
            rows={4}
            maxLength={1000}
            value={wish.words}
            onChange={(event) => set('wish', { words: event.target.value })}
          />
        </Card>

        <Card title="Pictures" hint="Of what you like, and of your hair today in daylight.">
          <OwnPhotos secret={secret} photoIds={page.photoIds} />
        </Card>

        <Card title="How you wear it">
          <Select
            label="Tied up"
            value={worn.upShare?.toString() ?? ''}
            options={options(SHARES)}
            onChange={(value) => set('worn', { upShare: numberOr(value) })}
          />
          <Select
            label="Half up"
            value={worn.halfUpShare?.toString() ?? ''}
            options={options(SHARES)}
            onChange={(value) => set('worn', { halfUpShare: numberOr(value) })}
          />
          <Choice
            label="Do you move your part?"
            value={worn.partMoves}
            options={PARTS}
            onChange={(partMoves) => set('worn', { partMoves })}
          />
        </Card>

        <Card title="Upkeep, time and budget">
          <div className="grid grid-cols-2 gap-3">
            <Select
              label="Weeks between visits"
              value={upkeep.weeksBetween?.toString() ?? ''}
              options={options(WEEKS.map((week) => [String(week), `${week} weeks`]))}
              onChange={(value) => set('upkeep', { weeksBetween: numberOr(value) })}
            />
            <Select
              label="Washes a week"
              value={upkeep.washesPerWeek?.toString() ?? ''}
              options={options(WASHES.map((wash) => [String(wash), String(wash)]))}
              onChange={(value) => set('upkeep', { washesPerWeek: numberOr(value) })}
            />
            <Select
              label="Time you have"
              value={limits.minutesAtMost?.toString() ?? ''}
              options={options(HOURS.map((hour) => [String(hour), `${hour / 60} h`]))}
              onChange={(value) => set('limits', { minutesAtMost: numberOr(value) })}
            />
            <TextField
              label={`Budget, ${page.currency}`}
              inputMode="decimal"
              value={budget}
              problem={
                budget !== '' && !/^\d{1,5}([.,]\d{1,2})?$/.test(budget)
                  ? 'Budget: write a figure such as 150.'
                  : undefined
              }
              onChange={(event) => {
                const text = event.target.value.trim();
                setBudget(text);
                if (text === '') set('limits', { budgetMinor: null });
                else if (/^\d{1,5}([.,]\d{1,2})?$/.test(text))
                  set('limits', { budgetMinor: Math.round(Number(text.replace(',', '.')) * perUnit) });
              }}
            />
          </div>
        </Card>

        <Card
          title="Done to your hair before"
          hint="Colour, lightener, henna, smoothing, perm: here, elsewhere or at home, as far back as the hair is long."
        >
          <BeforeList
            history={answers.history}
            occasions={answers.occasions}
            today={page.today}
            onHistory={(history) => change((before) => ({ ...before, history }))}
            onOccasions={(occasions) => change((before) => ({ ...before, occasions }))}
          />
        </Card>

        <Card title="Your health" hint="An alert test at the salon comes before colour all the same.">
          <Choice
            label="Have you ever reacted to hair colour?"
            value={health.allergy}
            options={[
              { value: 'none', words: 'No' },
              { value: 'known', words: 'Yes' },
            ]}
            onChange={(allergy) => set('health', { allergy })}
          />
          {health.allergy === 'known' && (
            <p role="status" className="rounded-ui bg-rowan-pale p-3 font-semibold text-rowan">
              Please ring the salon before you come, and see a doctor first. Colour is not put on after a
              reaction.
            </p>
          )}
          <Choice
            label="Henna or colour with metal salts?"
            value={health.dyes}
            options={[
              { value: 'none', words: 'No' },
              { value: 'plant', words: 'Henna' },
              { value: 'metal', words: 'Metal' },
              { value: 'unknown', words: 'Not sure' },
            ]}
            onChange={(dyes) => set('health', { dyes })}
          />
          <fieldset className="grid gap-1">
            <legend className="mb-1 text-sm font-semibold">Tell us if one of these is true</legend>
            {(
              [
                ['pregnancy', 'Pregnant'],
                ['medication', 'On medication'],
                ['recent-chemical', 'Perm, relaxer or smoothing in the last weeks'],
              ] as const
            ).map(([key, words]) => (
              <label key={key} className="flex min-h-11 items-center gap-3">
                <input
                  type="checkbox"
                  className="size-5 accent-leaf"
                  checked={health.noted.includes(key)}
                  onChange={(event) =>
                    set('health', {
                      noted: event.target.checked
                        ? [...health.noted, key]
                        : health.noted.filter((own) => own !== key),
                    })
                  }
                />{' '}
                {words}
              </label>
            ))}
          </fieldset>
        </Card>

        <Card title="Your consents">
          <OwnConsents secret={secret} name={page.clientName} consented={page.consented} />
        </Card>
      </main>
      <footer className="fixed inset-x-0 bottom-0 border-t border-line bg-raised">
        <div className="mx-auto flex max-w-[560px] items-center justify-between gap-3 px-4 py-3">
          <p
            role={problem ? 'alert' : 'status'}
            className={`text-sm ${problem ? 'font-semibold text-rowan' : 'text-ink-soft'}`}
          >
            {problem ?? (sent && state === 'saved' ? 'Sent. You can still change it.' : STATE_WORDS[state])}
          </p>
          <Button look="primary" onClick={() => keeper.send()}>
            {sent ? 'Send again' : 'Send to the salon'}
          </Button>
        </div>
      </footer>
    </CalendarProvider>
  );
}

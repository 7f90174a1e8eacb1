'use client';

import { keysOf, type ValueResult } from '@/core/units';
import { useState, useTransition } from 'react';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { Menu } from '@/ui/menu';
import { MoreIcon } from '@/ui/icons';
import { Select } from '@/ui/select';
import { useCalendar } from '../house/calendar';
import { changeSomebody, endOneSession, inviteSomebody, resetLinkFor, takeLinkBack } from './actions';
import type { OpenLink, Person } from './queries';
import { ROLE_WORDS, sayDevice } from './words';
import { WorkingHoursForm, type SalonHours } from './working-hours';

const ROLES = keysOf(ROLE_WORDS).map((value) => ({
  value,
  words: ROLE_WORDS[value].name as string,
}));

interface PeoplePageProps {
  people: readonly Person[];
  links: readonly OpenLink[];
  ownId: string;
  salon: SalonHours;
}

/** Who works in the salon, what each may do, where each is signed in, and how somebody new comes in. */
export function PeoplePage({ people, links, ownId, salon }: PeoplePageProps) {
  const calendar = useCalendar();
  const [role, setRole] = useState<keyof typeof ROLE_WORDS>('colourist');
  const [link, setLink] = useState<{ words: string; path: string }>();
  const [problem, setProblem] = useState<string>();
  const [hoursOf, setHoursOf] = useState<Person>();
  const [busy, start] = useTransition();
  const run = <T,>(work: () => Promise<ValueResult<T>>, then: (value: T) => void = () => undefined) =>
    start(async () => {
      setProblem(undefined);
      const answer = await work();
      if (answer.ok) then(answer.value);
      else setProblem(answer.problem);
    });
  return (
    <div className="grid grid-cols-1 gap-6">
      {problem && (
        <p role="alert" className="rounded-ui bg-rowan-pale p-3 font-semibold text-rowan">
          {problem}
        </p>
      )}
      <section aria-label="People" className="card divide-y divide-line">
        {people.map((person) => (
          <article
            key={person.id}
            aria-label={person.name}
            className="grid grid-cols-1 items-start gap-x-5 gap-y-2 px-5 py-4 md:grid-cols-[minmax(0,1fr)_9.5rem_minmax(0,1.1fr)_2.75rem]"
          >
            <div>
              <h2 className="text-md font-semibold">
                {person.name}
                {person.id === ownId && <span className="font-normal text-ink-soft">, you</span>}
              </h2>
              <p className="truncate text-sm text-ink-soft">{person.email}</p>
              {!person.active && (
                <p className="text-sm font-semibold text-amber-bark">No longer works here</p>
              )}
            </div>
            <div>
              <Select
                label={`Role of ${person.name}`}
                hideLabel
                value={person.role}
                options={ROLES}
                onChange={(next) => run(() => changeSomebody(person.id, { role: next }))}
              />
              <p className="mt-1 text-xs text-ink-soft">{ROLE_WORDS[person.role].may}</p>
            </div>
            <ul className="grid gap-1 text-sm">
              {person.sessions.length === 0 && <li className="text-ink-soft">Not signed in anywhere</li>}
              {person.sessions.slice(0, 4).map((session) => (
                <li key={session.id} className="flex items-baseline justify-between gap-3">
                  <span>
                    {sayDevice(session.device)},{' '}
                    <span className="text-ink-soft">seen {calendar.moment(session.seen)}</span>
                  </span>
                  <button
                    type="button"
                    className="font-semibold text-leaf underline"
                    onClick={() => run(() => endOneSession(session.id, person.id))}
                  >
                    End
                  </button>
                </li>
              ))}
              {person.sessions.length > 4 && (
                <li className="text-ink-soft">and {person.sessions.length - 4} more</li>
              )}
            </ul>
            <Menu
              label={`More for ${person.name}`}
              trigger={<MoreIcon />}
              className="grid size-10 place-items-center rounded-ui text-ink-soft hover:bg-leaf-pale hover:text-ink"
              items={[
                { words: 'Working hours …', choose: () => setHoursOf(person) },
                {
                  words: 'Make a reset link',
                  hint: 'sets a new password; holds for 24 hours',
                  disabled: !person.active,
                  choose: () =>
                    run(
                      () => resetLinkFor(person.id),
                      (path) => setLink({ words: `Reset link for ${person.name}`, path }),
                    ),
                },
                person.active
                  ? {
                      words: 'No longer works here',
                      hint: 'signed out everywhere; can be undone',
                      danger: true,
                      choose: () => run(() => changeSomebody(person.id, { active: false })),
                    }
                  : {
                      words: 'Works here again',
                      choose: () => run(() => changeSomebody(person.id, { active: true })),
                    },
              ]}
            />
          </article>
        ))}
      </section>
      <Dialog
        open={hoursOf !== undefined}
        onOpenChange={(open) => !open && setHoursOf(undefined)}
        title={`Working hours of ${hoursOf?.name ?? ''}`}
        middle
      >
        {hoursOf && (
          <WorkingHoursForm
            personId={hoursOf.id}
            initial={hoursOf.hours}
            salon={salon}
            onSaved={() => setHoursOf(undefined)}
          />
        )}
      </Dialog>
      <section aria-label="Invite" className="card grid gap-3 p-5">
        <h2 className="text-xl font-bold wide">Invite somebody</h2>
        <p className="text-base text-ink-soft">
          An invitation is a link for one person. It holds for seven days, and you hand it over yourself.
        </p>
        <div className="flex items-end gap-3">
          <div className="w-44">
            <Select label="As" value={role} options={ROLES} onChange={(next) => setRole(next)} />
          </div>
          <Button
            look="primary"
            disabled={busy}
            onClick={() =>
              run(
                () => inviteSomebody(role),
                (path) => setLink({ words: `Invitation, ${ROLE_WORDS[role].name.toLowerCase()}`, path }),
              )
            }
          >
            Make an invitation
          </Button>
        </div>
        {link && <HandOver {...link} />}
        {links.length > 0 && (
          <ul className="grid gap-1 border-t border-line pt-3 text-sm">
            {links.map(({ id, kind, role: as, personName, expiresAt }) => (
              <li key={id} className="flex items-baseline gap-3">
                <span>
                  {kind === 'invitation' ? `Invitation, ${as}` : `Reset link for ${personName}`},{' '}
                  <span className="text-ink-soft">holds until {calendar.moment(expiresAt)}</span>
                </span>
                <button
                  type="button"
                  className="font-semibold text-leaf underline"
                  onClick={() => run(() => takeLinkBack(id))}
                >
                  Withdraw
                </button>
              </li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}

/** A link that is said once: copy it now. */
function HandOver({ words, path }: { words: string; path: string }) {
  const [copied, setCopied] = useState(false);
  const address = `${window.location.origin}${path}`;
  return (
    <div role="status" className="grid gap-2 rounded-ui bg-leaf-pale p-3">
      <p className="font-semibold">{words}: shown once, copy it now.</p>
      <div className="flex gap-2">
        <input
          readOnly
          aria-label={words}
          value={address}
          onFocus={(event) => event.target.select()}
          className="h-10 min-w-0 flex-1 rounded-ui border border-edge bg-field px-3 text-sm"
        />
        <Button
          small
          onClick={() => {
            void navigator.clipboard?.writeText(address).then(() => setCopied(true));
          }}
        >
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </div>
    </div>
  );
}

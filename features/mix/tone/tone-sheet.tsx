'use client';

import { familyName, ZONE_FAMILIES, zonesOf } from '@/core/head';
import { cssColour, needsNoToner, undercoatHair } from '@/core/lift';
import { levelWhere, nearestInTheHouse, tonerIdeas, type TonerIdea } from '@/core/mix';
import { capital } from '@/core/units';
import {
  EVERYWHERE,
  HAIR_STATE_WORDS,
  HAIR_STATES,
  placeWords,
  type HairState,
  type VisitToner,
} from '@/core/visit';
import { Button } from '@/ui/button';
import { HairSwatch } from '@/ui/hair-swatch';
import { useSaid } from '@/ui/measures';
import { Select } from '@/ui/select';
import { useVisit } from '../../visit/store';
import { tenth } from '../amounts';
import { changed, freshId } from '../edit';
import { HereCautions } from '../here-cautions';
import { LockedPart } from '../locked';
import { useComputed } from '../../visit/computed';
import { Corrections } from './corrections';
import { Fading } from './fading';
import { PlaneChart } from './plane';
import { Items } from './items';
import { MixFigures } from './mix-figures';
import { PlaceField } from '../../places/place-field';
import { RootCards } from './root-card';
import { ShadeParts } from './shade-parts';
import { TargetField } from './target-field';

const BALANCE_WORDS = {
  under: 'Under-toned: warmth is left.',
  just: 'Just right.',
  over: 'Over-toned: it goes flat or cool.',
} as const;

/** What undercoat is left, what is put on it in which order, root colour, and corrections. */
export function ToneSheet() {
  return (
    <div className="grid items-start gap-6 p-3 *:min-w-0 md:p-5 xl:grid-cols-[20rem_minmax(0,1fr)]">
      <div className="max-xl:order-2">
        <Left />
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
        <HereCautions keys={['strong-scalp', 'over-time', 'root-dark']} />
        <Toners />
        <RootCards />
        <Corrections />
      </div>
    </div>
  );
}

/** Undercoat by zone, both sides together. */
function Left() {
  const visit = useComputed();
  const rows = ZONE_FAMILIES.flatMap((family) => {
    const reached = visit.colours.reached.filter(({ zone }) => zonesOf(family).includes(zone));
    return reached.length === 0
      ? []
      : [
          {
            family,
            level: Math.min(...reached.map(({ level }) => level)),
            undercoat: reached.reduce((a, b) => (a.level <= b.level ? a : b)).undercoat,
          },
        ];
  });
  return (
    <section aria-label="Undercoat left" className="card p-4">
      <h2 className="mb-1 text-md font-bold">Undercoat that is left</h2>
      <p className="mb-2 text-sm text-ink-soft">
        Level expected by zone when it is rinsed, estimated; look at the hair before you tone.
      </p>
      {rows.length === 0 ? (
        <p className="text-base text-ink-soft">Nothing is lifted yet.</p>
      ) : (
        <table className="w-full text-sm">
          <thead>
            <tr className="text-left text-xs text-ink-soft">
              <th className="font-normal">Zone</th>
              <th className="pr-2 font-normal">Level</th>
              <th className="pr-2 font-normal">Shows</th>
              <th className="font-normal">Neutralised by</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ family, level, undercoat }) => (
              <tr key={family} className="border-t border-line">
                <th scope="row" className="py-1.5 pr-2 text-left font-medium">
                  {familyName(family)}
                </th>
                <td className="pr-2 font-semibold">{tenth(level)}</td>
                <td className="pr-2 whitespace-nowrap">
                  <HairSwatch colour={cssColour(undercoatHair(level))} width={20} height={14} />{' '}
                  {undercoat.exposed}
                </td>
                <td>{undercoat.neutralisedBy ?? 'none'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Toners() {
  const { mix, editMix } = useVisit();
  const visit = useComputed();
  const { shelf } = visit;
  const line = shelf.depositLine;
  const add = () => {
    if (!line) return;
    const level = levelWhere(EVERYWHERE, visit.colours.reached) ?? 9;
    const [shade] = [...shelf.shadesOf(line.id)].sort(
      (a, b) =>
        Number(a.tone === 'clear') - Number(b.tone === 'clear') ||
        Math.abs(a.level - level) - Math.abs(b.level - level),
    );
    editMix('toner added', (visitMix) => ({
      ...visitMix,
      toners: [
        ...visitMix.toners,
        {
          id: freshId(visitMix.toners, 'toner'),
          place: EVERYWHERE,
          line: line.id,
          parts: [{ shade: shade.id, parts: 1 }],
          grams: 60,
          ratio: line.ratio.usual,
          volumes: Math.max(5, line.volumes.least),
          minutes: line.minutes.usual ?? Math.min(15, line.minutes.most),
          state: 'damp',
          target: null,
        },
      ],
    }));
  };
  return (
    <section aria-label="Toners" className="grid gap-3">
      <header className="flex items-center justify-between gap-4">
        <h2 className="text-xl font-bold wide">Toner</h2>
        <Button small onClick={add} disabled={!line}>
          Add a toner
        </Button>
      </header>
      {mix.toners.length === 0 && <NoToner />}
      {mix.toners.map((toner, i) => (
        <LockedPart key={toner.id} step={`toner ${toner.id}`}>
          <TonerCard toner={toner} number={i + 1} of={mix.toners.length} />
        </LockedPart>
      ))}
    </section>
  );
}

/** Nothing is toned: whether that is right, by what is wished. */
function NoToner() {
  const { consult } = useVisit();
  const { colours } = useComputed();
  const level = levelWhere(EVERYWHERE, colours.reached);
  const found = level === null ? null : needsNoToner(level, consult.tone ?? 'neutral');
  if (found?.needless)
    return (
      <p role="status" className="card p-4 text-base">
        <b className="text-leaf">No toner needed:</b> level {tenth(level!)} is {consult.tone ?? 'neutral'}{' '}
        already, by the estimate. Look at the rinsed hair.
      </p>
    );
  return (
    <p className="card p-4 text-base text-ink-soft">
      No toner yet. Some results need none: look at the rinsed hair first.
    </p>
  );
}

function TonerCard({ toner, number, of }: { toner: VisitToner; number: number; of: number }) {
  const { consult, editMix } = useVisit();
  const visit = useComputed();
  const { shelf } = visit;
  const said = useSaid();
  const line = shelf.line(toner.line);
  const found = visit.colours.toners.find(({ id }) => id === toner.id)?.result;
  const set = (label: string, part: Partial<VisitToner>) =>
    editMix(
      `toner ${number}: ${label}`,
      (visitMix) => ({
        ...visitMix,
        toners: changed(visitMix.toners, toner.id, (before) => ({ ...before, ...part })),
      }),
      `${toner.id} ${Object.keys(part).join()}`,
    );
  const move = (by: number) =>
    editMix(`toner ${number} moved`, (visitMix) => {
      const toners = [...visitMix.toners];
      toners.splice(number - 1 + by, 0, ...toners.splice(number - 1, 1));
      return { ...visitMix, toners };
    });
  const wish = toner.target ?? consult.tone ?? 'neutral';
  const wanted = found?.ok ? { level: found.meets, wish, porous: visit.colours.porous } : null;
  const ideas = line && wanted ? tonerIdeas(line, shelf, { ...wanted, minutes: toner.minutes }) : [];
  const [nearest] = wanted ? nearestInTheHouse(shelf, wanted) : [];
  // Another line is named only where it comes nearer than anybody would overlook.
  const other =
    nearest &&
    nearest.line !== toner.line &&
    nearest.toned.difference + 2 < (ideas[0]?.toned.difference ?? Infinity)
      ? nearest
      : undefined;
  const takeIdea = ({ line: id, parts }: TonerIdea) => {
    const next = shelf.line(id)!;
    set('taken from what is near', {
      parts,
      ...(id !== toner.line && {
        line: id,
        ratio: next.ratio.usual,
        minutes: next.minutes.usual ?? next.minutes.most,
        volumes: Math.max(next.volumes.least, Math.min(next.volumes.most, toner.volumes)),
      }),
    });
  };
  return (
    <article aria-label={`Toner ${number}`} className="card grid gap-4 p-4">
      <header className="flex items-center gap-3">
        <h3 className="flex-1 text-md font-bold">
          {of > 1 ? `${number}. ` : ''}
          {capital(placeWords(toner.place))}, {HAIR_STATE_WORDS[toner.state]}
        </h3>
        {number > 1 && (
          <Button small look="quiet" onClick={() => move(-1)}>
            Earlier
          </Button>
        )}
        {number < of && (
          <Button small look="quiet" onClick={() => move(1)}>
            Later
          </Button>
        )}
        <Button
          small
          look="quiet"
          onClick={() =>
            editMix(`toner ${number} removed`, (visitMix) => ({
              ...visitMix,
              toners: visitMix.toners.filter(({ id }) => id !== toner.id),
            }))
          }
        >
          Remove
        </Button>
      </header>
      <div className="grid items-start gap-5 md:grid-cols-[minmax(0,1fr)_13.5rem]">
        <div className="grid min-w-0 gap-3">
          <div className="grid gap-3 md:grid-cols-3">
            <PlaceField place={toner.place} onChange={(place) => set('place', { place })} />
            <Select
              label="Line"
              value={toner.line}
              options={shelf.lines.map(({ id, name }) => ({ value: id, words: name }))}
              onChange={(id) => {
                const next = shelf.line(id);
                const shade = shelf.shadesOf(id)[0];
                if (next && shade)
                  set('line', {
                    line: id,
                    parts: [{ shade: shade.id, parts: 1 }],
                    ratio: next.ratio.usual,
                    volumes: Math.max(next.volumes.least, Math.min(next.volumes.most, toner.volumes)),
                  });
              }}
            />
            <Select
              label="Hair"
              value={toner.state}
              options={HAIR_STATES.map((value) => ({ value, words: HAIR_STATE_WORDS[value] }))}
              onChange={(state: HairState) => set('state of hair', { state })}
            />
          </div>
          <ShadeParts line={toner.line} parts={toner.parts} onChange={(parts) => set('shades', { parts })} />
          <MixFigures own={toner} set={set} />
          <TargetField
            target={toner.target ?? null}
            tone={consult.tone ?? 'neutral'}
            level={found?.ok ? found.meets : consult.goalLevel}
            onChange={(target) => set('target', { target })}
          />
        </div>
        {found?.ok && <PlaneChart toned={found.toned} />}
      </div>
      {found && !found.ok && (
        <p role="alert" className="text-base font-semibold text-rowan">
          It cannot be worked out: {said(found.problem)}.
        </p>
      )}
      {found?.ok && (
        <>
          <div>
            <Items read={found.items} />
            <p className="text-base">
              <b className={found.toned.balance === 'just' ? 'text-leaf' : 'text-amber-bark'}>
                {BALANCE_WORDS[found.toned.balance]}
              </b>{' '}
              On level {tenth(found.meets)}
              {found.level !== null && <>, a toner of level {tenth(found.level)}</>}
              {found.clearShare > 0 && <>, {Math.round(found.clearShare * 100)}% clear</>}; watch it,{' '}
              {toner.minutes} min. An estimate;{' '}
              {visit.colours.porous ? 'porous hair takes it sooner.' : 'a strand first tells more.'}
            </p>
            <Fading toned={found.toned} />
            {found.notes.map((note) => (
              <p key={note} className="text-sm font-medium text-amber-bark">
                {said(note)}
              </p>
            ))}
            {line?.note && (
              <p className="text-sm text-ink-soft">
                {line.name}: {line.note}
              </p>
            )}
          </div>
          {ideas.length > 0 && (
            <div className="flex flex-wrap items-center gap-2">
              <span className="text-sm text-ink-soft">
                Nearest to {typeof wish === 'string' ? wish : 'the target'}:
              </span>
              {[...ideas, ...(other ? [other] : [])].map((idea) => (
                <Button key={idea.words} small onClick={() => takeIdea(idea)}>
                  <HairSwatch colour={cssColour(idea.toned.colours.after)} width={22} height={14} />{' '}
                  {idea.words}, {differenceWords(idea.toned)}
                </Button>
              ))}
            </div>
          )}
        </>
      )}
    </article>
  );
}

/** How far from the wish, and what warmth is left: `1.4 off, a little warm`. */
function differenceWords({ difference, warmth }: TonerIdea['toned']): string {
  const warm =
    warmth > 0.02
      ? 'warm'
      : warmth > 0.008
        ? 'a little warm'
        : warmth < -0.02
          ? 'cool'
          : warmth < -0.008
            ? 'a little cool'
            : 'no warmth left';
  return `${tenth(difference)} off, ${warm}`;
}

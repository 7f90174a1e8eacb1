'use client';

import { familyName, ZONE_FAMILIES, zonesOf } from '@/core/head';
import { cssColour, undercoatHair } from '@/core/lift';
import { levelWhere, tonerIdeas, usualSpot, usualWash } from '@/core/mix';
import { capital, formatLevel } from '@/core/units';
import { EVERYWHERE, HAIR_STATE_WORDS, HAIR_STATES, placeWords, type Correction, type HairState, type VisitToner } from '@/core/visit';
import { Button } from '@/ui/button';
import { HairSwatch } from '@/ui/hair-swatch';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { useVisit } from '../../visit/store';
import { readAmount, tenth } from '../amounts';
import { changed, freshId } from '../edit';
import { HereCautions } from '../here-cautions';
import { LockedPart } from '../locked';
import { useComputed } from '../../visit/computed';
import { PlaneChart } from './plane';
import { Items } from './items';
import { MixFigures } from './mix-figures';
import { PlaceField } from '../../places/place-field';
import { RootCards } from './root-card';
import { ShadeParts } from './shade-parts';

const BALANCE_WORDS = { under: 'Under-toned: warmth is left.', just: 'Just right.', over: 'Over-toned: it goes flat or cool.' } as const;

/** What undercoat is left, what is put on it in which order, root colour, and corrections. */
export function ToneSheet() {
  return (
    <div className="grid items-start gap-6 p-5 xl:grid-cols-[320px_minmax(0,1fr)]">
      <div className="max-xl:order-2"><Left /></div>
      <div className="grid gap-4"><HereCautions keys={['strong-scalp', 'over-time', 'root-dark']} /><Toners /><RootCards /><Corrections /></div>
    </div>
  );
}

/** Undercoat by zone, both sides together. */
function Left() {
  const visit = useComputed();
  const rows = ZONE_FAMILIES.flatMap((family) => {
    const own = visit.colours.reached.filter(({ zone }) => zonesOf(family).includes(zone));
    return own.length === 0 ? [] : [{ family, level: Math.min(...own.map(({ level }) => level)), undercoat: own.reduce((a, b) => (a.level <= b.level ? a : b)).undercoat }];
  });
  return (
    <section aria-label="Undercoat left" className="card p-4">
      <h2 className="mb-1 text-md font-bold">Undercoat that is left</h2>
      <p className="mb-2 text-sm text-ink-soft">Level expected by zone when it is rinsed, estimated; look at the hair before you tone.</p>
      {rows.length === 0 ? <p className="text-base text-ink-soft">Nothing is lifted yet.</p> : (
        <table className="w-full text-sm">
          <thead><tr className="text-left text-xs text-ink-soft"><th className="font-normal">Zone</th><th className="pr-2 font-normal">Level</th><th className="pr-2 font-normal">Shows</th><th className="font-normal">Neutralised by</th></tr></thead>
          <tbody>
            {rows.map(({ family, level, undercoat }) => (
              <tr key={family} className="border-t border-line">
                <th scope="row" className="py-1.5 pr-2 text-left font-medium">{familyName(family)}</th>
                <td className="pr-2 font-semibold">{tenth(level)}</td>
                <td className="pr-2 whitespace-nowrap"><HairSwatch colour={cssColour(undercoatHair(level))} width={20} height={14} /> {undercoat.exposed}</td>
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
    const [shade] = [...shelf.shadesOf(line.id)].sort((a, b) => Number(a.tone === 'clear') - Number(b.tone === 'clear') || Math.abs(a.level - level) - Math.abs(b.level - level));
    editMix('toner added', (own) => ({
      ...own,
      toners: [...own.toners, { id: freshId(own.toners, 'toner'), place: EVERYWHERE, line: line.id, parts: [{ shade: shade.id, parts: 1 }], grams: 60, ratio: line.ratio.usual, volumes: Math.max(5, line.volumes.least), minutes: Math.min(15, line.minutes.most), state: 'damp' }],
    }));
  };
  return (
    <section aria-label="Toners" className="grid gap-3">
      <header className="flex items-center justify-between gap-4">
        <h2 className="text-xl font-bold wide">Toner</h2>
        <Button small onClick={add} disabled={!line}>Add a toner</Button>
      </header>
      {mix.toners.length === 0 && <p className="card p-4 text-base text-ink-soft">No toner yet. Some results need none: look at the rinsed hair first.</p>}
      {mix.toners.map((toner, i) => <LockedPart key={toner.id} step={`toner ${toner.id}`}><TonerCard toner={toner} number={i + 1} of={mix.toners.length} /></LockedPart>)}
    </section>
  );
}

function TonerCard({ toner, number, of }: { toner: VisitToner; number: number; of: number }) {
  const { consult, editMix } = useVisit();
  const visit = useComputed();
  const { shelf } = visit;
  const line = shelf.line(toner.line);
  const found = visit.colours.toners.find(({ id }) => id === toner.id)?.result;
  const set = (label: string, part: Partial<VisitToner>) => editMix(`toner ${number}: ${label}`, (own) => ({ ...own, toners: changed(own.toners, toner.id, (before) => ({ ...before, ...part })) }), `${toner.id} ${Object.keys(part).join()}`);
  const move = (by: number) =>
    editMix(`toner ${number} moved`, (own) => {
      const toners = [...own.toners];
      toners.splice(number - 1 + by, 0, ...toners.splice(number - 1, 1));
      return { ...own, toners };
    });
  const ideas = line && found?.ok ? tonerIdeas(line, shelf, found.meets, toner.minutes, consult.tone, visit.colours.porous) : [];
  return (
    <article aria-label={`Toner ${number}`} className="card grid gap-4 p-4">
      <header className="flex items-center gap-3">
        <h3 className="flex-1 text-md font-bold">{of > 1 ? `${number}. ` : ''}{capital(placeWords(toner.place))}, {HAIR_STATE_WORDS[toner.state]}</h3>
        {number > 1 && <Button small look="quiet" onClick={() => move(-1)}>Earlier</Button>}
        {number < of && <Button small look="quiet" onClick={() => move(1)}>Later</Button>}
        <Button small look="quiet" onClick={() => editMix(`toner ${number} removed`, (own) => ({ ...own, toners: own.toners.filter(({ id }) => id !== toner.id) }))}>Remove</Button>
      </header>
      <div className="grid grid-cols-[minmax(0,1fr)_216px] items-start gap-5">
        <div className="grid gap-3">
          <div className="grid grid-cols-3 gap-3">
            <PlaceField place={toner.place} onChange={(place) => set('place', { place })} />
            <Select
              label="Line" value={toner.line} options={shelf.lines.map(({ id, name }) => ({ value: id, words: name }))}
              onChange={(id) => {
                const next = shelf.line(id);
                const shade = shelf.shadesOf(id)[0];
                if (next && shade) set('line', { line: id, parts: [{ shade: shade.id, parts: 1 }], ratio: next.ratio.usual });
              }}
            />
            <Select label="Hair" value={toner.state} options={HAIR_STATES.map((value) => ({ value, words: HAIR_STATE_WORDS[value] }))} onChange={(state: HairState) => set('state of hair', { state })} />
          </div>
          <ShadeParts line={toner.line} parts={toner.parts} onChange={(parts) => set('shades', { parts })} />
          <MixFigures own={toner} set={set} />
        </div>
        {found?.ok && <PlaneChart toned={found.toned} />}
      </div>
      {found && !found.ok && <p role="alert" className="text-base font-semibold text-rowan">It cannot be worked out: {found.problem}.</p>}
      {found?.ok && (
        <>
          <div>
            <Items read={found.items} />
            <p className="text-base">
              <b className={found.toned.balance === 'just' ? 'text-leaf' : 'text-amber-bark'}>{BALANCE_WORDS[found.toned.balance]}</b> On level {tenth(found.meets)}{found.level !== null && <>, a toner of level {tenth(found.level)}</>}
              {found.clearShare > 0 && <>, {Math.round(found.clearShare * 100)} % clear</>}; watch it, {toner.minutes} min. An estimate; {visit.colours.porous ? 'porous hair takes it sooner.' : 'a strand first tells more.'}
            </p>
            {found.notes.map((note) => <p key={note} className="text-sm font-medium text-amber-bark">{note}</p>)}
            {line?.note && <p className="text-sm text-ink-soft">{line.name}: {line.note}</p>}
          </div>
          {ideas.length > 0 && (
            <div className="flex flex-wrap items-center gap-2">
              <span className="text-sm text-ink-soft">Nearest to {consult.tone ?? 'neutral'}:</span>
              {ideas.map(({ words, parts }) => <Button key={words} small onClick={() => set('taken from what is near', { parts })}>{words}</Button>)}
            </div>
          )}
        </>
      )}
    </article>
  );
}

function Corrections() {
  const { mix, editMix, consult } = useVisit();
  const visit = useComputed();
  const { shelf } = visit;
  const reached = levelWhere(EVERYWHERE, visit.colours.reached) ?? consult.goalLevel;
  const add = (own: Correction) => editMix('correction added', (before) => ({ ...before, corrections: [...before.corrections, own] }));
  const half = (level: number) => Math.round(Math.min(10, Math.max(1, level)) * 2) / 2;
  const line = shelf.depositLine;
  const spot = line && usualSpot(freshId(mix.corrections, 'spot'), line, shelf, half(reached));
  return (
    <section aria-label="Corrections" className="card grid gap-3 p-4">
      <header className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-md font-bold">Corrections</h2>
        <span className="flex gap-2">
          <Button small disabled={shelf.lighteners.length === 0} onClick={() => add(usualWash(freshId(mix.corrections, 'wash'), shelf.lighteners[0].id, half(reached)))}>Bleach wash</Button>
          <Button small disabled={!spot} onClick={() => spot && add(spot)}>
            Spot repair
          </Button>
        </span>
      </header>
      {mix.corrections.length === 0 && <p className="text-base text-ink-soft">For ends that are stuck, or a spot that came out too light.</p>}
      {mix.corrections.map((own) => <LockedPart key={own.id} step={`correction ${own.id}`}><CorrectionRow own={own} /></LockedPart>)}
    </section>
  );
}

function CorrectionRow({ own }: { own: Correction }) {
  const { editMix } = useVisit();
  const visit = useComputed();
  const result = visit.colours.corrections.find(({ id }) => id === own.id)?.result;
  const name = own.kind === 'spot' ? 'Spot repair' : 'Bleach wash';
  const set = (part: Partial<Correction>) => editMix(name.toLowerCase(), (before) => ({ ...before, corrections: changed(before.corrections, own.id, (was) => ({ ...was, ...part }) as Correction) }), `${own.id} ${Object.keys(part).join()}`);
  const level = own.kind === 'spot' ? own.level : own.from;
  return (
    <article aria-label={name} className="grid gap-2 border-t border-line pt-3">
      <header className="flex items-center justify-between"><h3 className="text-base font-semibold">{name}</h3><Button small look="quiet" onClick={() => editMix(`${name.toLowerCase()} removed`, (before) => ({ ...before, corrections: before.corrections.filter(({ id }) => id !== own.id) }))}>Remove</Button></header>
      <div className="grid grid-cols-5 gap-3">
        <PlaceField place={own.place} onChange={(place) => set({ place })} />
        <Select label={own.kind === 'spot' ? 'To match' : 'Stuck at'} value={String(level)} options={Array.from({ length: 19 }, (_, i) => 1 + i / 2).map((value) => ({ value: String(value), words: formatLevel(value) }))} onChange={(text) => set(own.kind === 'spot' ? { level: Number(text) } : { from: Number(text) })} />
        <NumberField label="In all" unit="g" min={5} max={200} value={own.grams} parse={readAmount} onChange={(grams) => grams !== undefined && set({ grams })} />
        <NumberField label="Strength" unit="vol" min={1} max={40} value={own.volumes} parse={readAmount} onChange={(volumes) => volumes !== undefined && set({ volumes })} />
        <NumberField label="Time" unit="min" min={1} max={60} value={own.minutes} parse={readAmount} onChange={(minutes) => minutes !== undefined && set({ minutes })} />
      </div>
      {own.kind === 'spot' && <ShadeParts line={own.line} parts={own.parts} onChange={(parts) => set({ parts })} />}
      {result && (
        <div>
          <Items read={result.items} />
          <p className="text-sm text-ink-soft">{own.kind === 'bleach-wash' && `${tenth(result.volumes)} vol on the hair; ${result.level === null ? '' : `level ${tenth(result.level)} expected after ${own.minutes} min, estimated. `}`}{result.notes.join(' ')}</p>
        </div>
      )}
    </article>
  );
}

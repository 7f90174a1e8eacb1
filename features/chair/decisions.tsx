'use client';

import { useState } from 'react';
import type { BlockState, EventBody, ServiceState } from '@/core/chair';
import { Button } from '@/ui/button';
import { useSaid } from '@/ui/measures';
import { Presets } from './presets';
import { USUAL_AGAIN, USUAL_MORE, USUAL_STRENGTHS } from './words';

interface DecisionProps {
  state: ServiceState;
  done(body: EventBody): void;
}

const MINUTES = [3, 5, 8, 10] as const;

/** Parts that hold product, the one or all of them chosen. */
function usePart(state: ServiceState) {
  const on = state.blocks.filter(({ firstAt }) => firstAt !== null);
  const [chosen, choose] = useState<string | null>(on.length === 1 ? on[0].block.id : null);
  const foils = on
    .filter(({ block }) => chosen === null || block.id === chosen)
    .flatMap(({ units }) => units.flatMap(({ id, standing }) => (standing === 'on' ? [id] : [])));
  return { on, chosen, choose, foils };
}

function PartChoice({
  on,
  chosen,
  choose,
}: {
  on: readonly BlockState[];
  chosen: string | null;
  choose(part: string | null): void;
}) {
  return (
    <div role="group" aria-label="Which foils" className="flex flex-wrap gap-2">
      <Button
        look={chosen === null ? 'primary' : 'plain'}
        aria-pressed={chosen === null}
        onClick={() => choose(null)}
      >
        All that are on
      </Button>
      {on.map(({ block }) => (
        <Button
          key={block.id}
          look={chosen === block.id ? 'primary' : 'plain'}
          aria-pressed={chosen === block.id}
          onClick={() => choose(block.id)}
        >
          {block.name}
        </Button>
      ))}
    </div>
  );
}

/** More minutes for what is on, with the reason. */
export function LongerSheet({ state, done }: DecisionProps) {
  const part = usePart(state);
  const [minutes, setMinutes] = useState<number>(5);
  if (part.on.length === 0) return <p className="text-lg">Nothing is on the head.</p>;
  return (
    <div className="grid gap-4">
      <PartChoice {...part} />
      <div role="group" aria-label="Minutes" className="grid grid-cols-4 gap-2">
        {MINUTES.map((own) => (
          <Button
            key={own}
            className="h-14 text-lg"
            look={own === minutes ? 'primary' : 'plain'}
            aria-pressed={own === minutes}
            onClick={() => setMinutes(own)}
          >
            {own} min
          </Button>
        ))}
      </div>
      <p className="text-base">Counted from now. The maker’s limit stays where it is, and is called.</p>
      <Presets
        words={USUAL_MORE}
        label="Why they stay on"
        onTake={(reason) => done({ kind: 'longer', foils: part.foils, minutes, reason })}
      />
    </div>
  );
}

/** Opened, wiped and painted again: the lift so far counts, and the limit starts again. */
export function AgainSheet({ state, done }: DecisionProps) {
  const part = usePart(state);
  if (part.on.length === 0) return <p className="text-lg">Nothing is on the head.</p>;
  return (
    <div className="grid gap-4">
      <PartChoice {...part} />
      <p className="text-base">
        {part.foils.length} {part.foils.length === 1 ? 'foil is' : 'foils are'} opened, wiped and painted
        again with a fresh bowl. What has lifted counts; the maker’s limit runs from now. Feel a strand first:
        hair that stretches gets no second application.
      </p>
      <Presets
        words={USUAL_AGAIN}
        label="Why a second application"
        onTake={(reason) => done({ kind: 'reapplied', foils: part.foils, reason })}
      />
    </div>
  );
}

/** Another strength for what is not placed yet. */
export function StrengthSheet({ state, done }: DecisionProps) {
  const said = useSaid();
  const letters = new Set(
    state.blocks.flatMap(({ units }) =>
      units.flatMap(({ unit, standing }) => (standing === 'waiting' ? [unit.letter] : [])),
    ),
  );
  const mixes = Object.entries(state.mixes).filter(
    ([, own]) =>
      own.of.some(({ letter }) => letters.has(letter)) && own.volumes !== null && own.strengths.length > 1,
  );
  const [chosen, choose] = useState(mixes[0]?.[0] ?? '');
  const [volumes, setVolumes] = useState<number>();
  const mix = state.mixes[chosen];
  if (!mix)
    return <p className="text-lg">Everything that lifts is placed, or the house has no other strength.</p>;
  return (
    <div className="grid gap-4">
      {mixes.length > 1 && (
        <div role="group" aria-label="Mix" className="flex flex-wrap gap-2">
          {mixes.map(([name]) => (
            <Button
              key={name}
              look={name === chosen ? 'primary' : 'plain'}
              aria-pressed={name === chosen}
              onClick={() => (choose(name), setVolumes(undefined))}
            >
              Mix {name}
            </Button>
          ))}
        </div>
      )}
      <p className="text-lg">
        {chosen}: {said(mix.words)}. What is on the head stays as it is.
      </p>
      <div role="group" aria-label="Strength from here on" className="flex flex-wrap gap-2">
        {mix.strengths.map((strength) => (
          <Button
            key={strength}
            className="h-14 min-w-20 text-lg"
            disabled={strength === mix.volumes}
            look={strength === volumes ? 'primary' : 'plain'}
            aria-pressed={strength === volumes}
            onClick={() => setVolumes(strength)}
          >
            {said(`${strength} vol`)}
          </Button>
        ))}
      </div>
      {volumes !== undefined && (
        <>
          {volumes > mix.volumes! && (
            <p role="alert" className="text-base font-semibold text-amber-bark">
              Stronger than planned: keep it off the scalp and away from fragile hair.
            </p>
          )}
          <p className="text-base">
            Every time, check and bowl of what is not placed follows. Leaflet, local rules and your judgement
            come first.
          </p>
          <Presets
            words={USUAL_STRENGTHS}
            label="Why another strength"
            onTake={(reason) => done({ kind: 'strength', mix: chosen, volumes, reason })}
          />
        </>
      )}
    </div>
  );
}

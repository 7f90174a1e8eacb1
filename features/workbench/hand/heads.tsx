'use client';

import dynamic from 'next/dynamic';
import { Component, useDeferredValue, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import { useKept } from '@/ui/use-kept';
import { drawsSolids } from '../../head/round/software';
import { barkLightOf } from '../../visit/bark';
import { useOwnHair } from '../../visit/use-own-hair';
import { useLit, useVisit } from '../../visit/store';
import { SmallWear } from '../../wear/small-wear';
import { OpenedHead } from './opened-head';

const RoundHead = dynamic(() => import('../../head/round/round-head'), { ssr: false });

type Which = 'opened' | 'round';

/** The head twice, linked: one large, the other small beside it; a press changes them over. */
export function Heads() {
  const { bundle } = useVisit();
  const [large, setLarge] = useKept<Which>(`${bundle.id}/head`, 'opened', ['opened', 'round']);
  const other = large === 'opened' ? 'round' : 'opened';
  const place = (which: Which) =>
    which === large
      ? `absolute inset-0 ${which === 'opened' ? 'max-xl:left-[62px]' : ''}`
      : 'absolute right-3 bottom-[-50px] z-10 h-[92px] w-[116px] xl:h-[124px] xl:w-[156px] overflow-hidden rounded-t-[8px] border border-b-0 border-edge bg-raised';
  return (
    <div className="relative mt-2 min-h-0 flex-1">
      <div className={place('opened')}>
        <OpenedHead large={large === 'opened'} />
      </div>
      <div className={place('round')}>
        <Round large={large === 'round'} />
      </div>
      <div className="absolute top-1 right-3 z-5 max-md:hidden h-[128px] w-[84px] xl:top-auto xl:bottom-[84px] xl:z-10 xl:h-[168px] xl:w-[104px]">
        <SmallWear />
      </div>
      <button
        type="button"
        onClick={() => setLarge(other)}
        aria-label={`${SAID[other]}, large`}
        className="absolute right-3 bottom-[-86px] z-20 h-[36px] w-[116px] xl:w-[156px] rounded-b-[8px] border border-edge bg-raised text-sm font-semibold hover:border-ink"
      >
        {SAID[other]}
      </button>
    </div>
  );
}

const SAID: Record<Which, string> = { opened: 'Opened head', round: 'Round head' };

function Round({ large }: { large: boolean }) {
  const { plan, computed, consult, selected, light, select } = useVisit();
  const lit = useLit();
  const able = useSyncExternalStore(never, drawsSolids, () => undefined);
  // The opened head answers first; the round one follows within the same moment.
  const settled = useDeferredValue(computed);
  // One and the same array for a level, so that nothing is drawn anew for it.
  const bark = useMemo(() => barkLightOf(consult.naturalLevel), [consult.naturalLevel]);
  const own = useOwnHair();
  if (able === undefined) return null;
  if (!able) return <NoRoundHead />;
  return (
    <Guard>
      <RoundHead
        computed={settled}
        bark={bark}
        own={own}
        partOffsetMm={plan.head.part.none ? null : plan.head.part.offsetMm}
        selectedPanel={selected.panel}
        selectedFoil={selected.foil}
        lit={lit}
        large={large}
        onLight={light}
        onSelect={select}
      />
    </Guard>
  );
}

const never = () => () => undefined;

function NoRoundHead() {
  return (
    <p className="grid h-full place-items-center p-3 text-center text-sm text-ink-soft">
      This browser has no WebGL, so the round head is not drawn. The opened head shows everything.
    </p>
  );
}

/** Where the round head fails while it is drawn, the opened head goes on. */
class Guard extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };
  static getDerivedStateFromError() {
    return { failed: true };
  }
  override render() {
    return this.state.failed ? <NoRoundHead /> : this.props.children;
  }
}

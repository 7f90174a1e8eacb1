import { betterRest, type RestQuestion } from '@/core/chair';
import { plansOf, type ClockPlanned, type ClockQuestion } from '@/core/clock';

/** What is asked: the plans of a visit, or another course for the rest of a service. */
export type ClockAsked =
  | { readonly kind: 'plans'; readonly question: ClockQuestion }
  | { readonly kind: 'rest'; readonly question: RestQuestion };

export type ClockAnswer =
  | { readonly kind: 'plans'; readonly plans: readonly ClockPlanned[] }
  | { readonly kind: 'rest'; readonly better: ReturnType<typeof betterRest> };

addEventListener('message', ({ data }: MessageEvent<ClockAsked>) => {
  const answer: ClockAnswer =
    data.kind === 'plans'
      ? { kind: 'plans', plans: plansOf(data.question) }
      : { kind: 'rest', better: betterRest(data.question) };
  postMessage(answer);
});

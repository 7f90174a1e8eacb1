import { priceOf, type FoilPrices } from './estimate';

export const MIX_CHARGES = ['bowl', 'session', 'gram'] as const;
type MixCharge = (typeof MIX_CHARGES)[number];

/** An add-on that the house has. */
interface AddOn {
  readonly id: string;
  readonly name: string;
  readonly minor: number;
}

/** How a house prices a whole visit. Money in minor units, whole numbers. */
export interface VisitPrices extends FoilPrices {
  /**
   * Flat: how the mix is charged; by bowl, by session (what is mixed at one go, whatever number of bowls), or
   * by gram of mix.
   */
  readonly mixBy: MixCharge;
  /** Bowls or sessions that the base includes, and what each more costs. */
  readonly includedBowls: number;
  readonly extraBowlMinor: number;
  /** Grams of mix that it includes, and what each ten more cost. */
  readonly includedGrams: number;
  readonly tenGramsMinor: number;
  readonly includedToners: number;
  readonly extraTonerMinor: number;
  /** Root colour costs so much; 0 where it is in the base. */
  readonly rootMinor: number;
  /** Long hair: from a length, and thick hair from a density, so much more, per cent of the base. */
  readonly longFromMm: number;
  readonly longPercent: number;
  readonly thickFromPerCm2: number;
  readonly thickPercent: number;
  readonly addOns: readonly AddOn[];
  /** Tax within the prices, per cent. */
  readonly taxPercent: number;
}

export interface PricedVisit {
  readonly foils: number;
  readonly foilingMinutes: number;
  readonly bowls: number;
  /** Times that something is mixed, and grams that are mixed for the foils in all. */
  readonly sessions: number;
  readonly mixGrams: number;
  /** Different toners: one in several places and times is one. */
  readonly toners: number;
  readonly root: boolean;
  /** Recipes of the house with a price of their own: washes, treatments, repairs. */
  readonly recipes: readonly { readonly name: string; readonly minor: number }[];
  readonly lengthMm: number;
  readonly densityPerCm2: number;
  readonly addOns: readonly string[];
  /** What the products cost the house, minor units; by the hour they come on top. */
  readonly materialsMinor: number;
}

/** One line of an estimate. */
interface PriceLine {
  readonly key: string;
  readonly words: string;
  readonly minor: number;
}

export interface Itemised {
  readonly lines: readonly PriceLine[];
  /** The lines together. */
  readonly totalMinor: number;
  /** Tax that is within the total. */
  readonly taxMinor: number;
}

const perCent = (minor: number, percent: number) => Math.round((minor * percent) / 100);

/**
 * The estimate of a visit, line by line; the lines add up to the total. Nothing for a visit without foils,
 * toners and add-ons.
 */
export function itemise(visit: PricedVisit, prices: VisitPrices): Itemised {
  const lines: PriceLine[] = [];
  const line = (key: string, words: string, minor: number) =>
    minor !== 0 && lines.push({ key, words, minor });
  const many = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;
  if (visit.foils > 0) {
    if (prices.way === 'flat') {
      line('base', `Foil service, up to ${many(prices.includedFoils, 'foil')}`, prices.baseMinor);
      const more = Math.max(0, visit.foils - prices.includedFoils);
      line('foils', `${many(more, 'further foil')}`, more * prices.perFoilMinor);
    } else {
      line('base', 'Foil service', prices.baseMinor);
      line(
        'time',
        `${Math.round(visit.foilingMinutes)} min of foiling`,
        priceOf(visit, prices) - prices.baseMinor,
      );
      line('materials', 'Materials', visit.materialsMinor);
    }
    const foiled = lines.reduce((sum, { minor }) => sum + minor, 0);
    if (visit.lengthMm >= prices.longFromMm)
      line('long', `Long hair, ${prices.longPercent}%`, perCent(foiled, prices.longPercent));
    if (visit.densityPerCm2 >= prices.thickFromPerCm2)
      line('thick', `Thick hair, ${prices.thickPercent}%`, perCent(foiled, prices.thickPercent));
    if (prices.way === 'flat') mixLine(visit, prices, line);
  }
  // What is included is included in a foil service: a toner alone is paid for.
  const toners = Math.max(0, visit.toners - (visit.foils > 0 ? prices.includedToners : 0));
  line('toners', many(toners, visit.foils > 0 ? 'extra toner' : 'toner'), toners * prices.extraTonerMinor);
  if (visit.root) line('root', 'Root colour', prices.rootMinor);
  for (const [name, minors] of byName(visit.recipes)) {
    line(
      `recipe ${name}`,
      minors.length === 1 ? name : `${minors.length} × ${name}`,
      minors.reduce((sum, minor) => sum + minor, 0),
    );
  }
  for (const id of visit.addOns) {
    const on = prices.addOns.find((addOn) => addOn.id === id);
    if (on) line(`add-on ${id}`, on.name, on.minor);
  }
  const totalMinor = lines.reduce((sum, { minor }) => sum + minor, 0);
  return { lines, totalMinor, taxMinor: taxWithin(totalMinor, prices.taxPercent) };
}

/** What is mixed beyond what the base includes. */
function mixLine(
  { bowls, sessions, mixGrams }: PricedVisit,
  { mixBy, includedBowls, extraBowlMinor, includedGrams, tenGramsMinor }: VisitPrices,
  line: (key: string, words: string, minor: number) => void,
): void {
  if (mixBy === 'gram') {
    const more = Math.max(0, Math.ceil(mixGrams - 1e-9) - includedGrams);
    return line('bowls', `${more} g of mix more`, Math.round((more * tenGramsMinor) / 10));
  }
  const [count, one] = mixBy === 'session' ? [sessions, 'extra mixing'] : [bowls, 'extra bowl'];
  const more = Math.max(0, count - includedBowls);
  line('bowls', `${more} ${one}${more === 1 ? '' : 's'}`, more * extraBowlMinor);
}

function byName(recipes: PricedVisit['recipes']): Map<string, number[]> {
  const out = new Map<string, number[]>();
  for (const { name, minor } of recipes) out.set(name, [...(out.get(name) ?? []), minor]);
  return out;
}

/** What is begun within so many minutes of the first is mixed at one go. Working assumption. */
const ONE_GO_MINUTES = 10;

/**
 * How often something is mixed: bowls that stand open side by side are mixed at one go.
 * @param from minutes at which each bowl is mixed
 */
export function mixingSessions(from: readonly number[]): number {
  let sessions = 0;
  let first = -Infinity;
  for (const at of [...from].sort((a, b) => a - b)) {
    if (at - first <= ONE_GO_MINUTES) continue;
    sessions += 1;
    first = at;
  }
  return sessions;
}

/** Tax that is within an amount. */
export function taxWithin(minor: number, percent: number): number {
  return minor - Math.round((minor * 100) / (100 + percent));
}

/** What changes when something is left out. */
export interface LeftOut {
  readonly key: string;
  readonly words: string;
  readonly savesMinor: number;
}

/**
 * What each thing that can be left out saves, the most first. The foils themselves are fitted in the pattern.
 */
export function leftOut(visit: PricedVisit, prices: VisitPrices): LeftOut[] {
  const { totalMinor } = itemise(visit, prices);
  const without = (key: string, words: string, part: Partial<PricedVisit>): LeftOut => ({
    key,
    words,
    savesMinor: totalMinor - itemise({ ...visit, ...part }, prices).totalMinor,
  });
  const options: LeftOut[] = [
    ...(visit.toners > 0 ? [without('toners', 'One toner less', { toners: visit.toners - 1 })] : []),
    ...(visit.root ? [without('root', 'Without root colour', { root: false })] : []),
    ...(visit.bowls > 1 && prices.mixBy === 'bowl'
      ? [without('bowls', 'One bowl less', { bowls: visit.bowls - 1 })]
      : []),
    ...visit.recipes.map((recipe) =>
      without(`recipe ${recipe.name}`, `Without ${recipe.name.toLowerCase()}`, {
        recipes: visit.recipes.filter((other) => other !== recipe),
      }),
    ),
    ...visit.addOns.flatMap((id) => {
      const on = prices.addOns.find((addOn) => addOn.id === id);
      return on
        ? [
            without(`add-on ${id}`, `Without ${on.name.toLowerCase()}`, {
              addOns: visit.addOns.filter((other) => other !== id),
            }),
          ]
        : [];
    }),
    ...(visit.foils >= 10
      ? [
          without('foils', 'Ten foils fewer', {
            foils: visit.foils - 10,
            foilingMinutes: (visit.foilingMinutes * (visit.foils - 10)) / visit.foils,
          }),
        ]
      : []),
  ];
  return options.filter(({ savesMinor }) => savesMinor > 0).sort((a, b) => b.savesMinor - a.savesMinor);
}

export interface Paid {
  readonly depositMinor: number;
  /** Deposit and payments, without tips. */
  readonly paidMinor: number;
  readonly tipMinor: number;
  /** Still owed; 0 where more was paid. */
  readonly owedMinor: number;
  /** Paid above what was owed. */
  readonly changeMinor: number;
}

/** What is paid of an amount. Tips are kept apart: they pay for nothing. */
export function paidOf(
  amountMinor: number,
  payments: readonly { readonly what: 'deposit' | 'payment' | 'tip'; readonly minor: number }[],
): Paid {
  const sum = (...kinds: string[]) =>
    payments.filter(({ what }) => kinds.includes(what)).reduce((all, { minor }) => all + minor, 0);
  const paidMinor = sum('deposit', 'payment');
  return {
    depositMinor: sum('deposit'),
    paidMinor,
    tipMinor: sum('tip'),
    owedMinor: Math.max(0, amountMinor - paidMinor),
    changeMinor: Math.max(0, paidMinor - amountMinor),
  };
}

export interface ReceiptFacts {
  readonly estimate: Itemised;
  readonly agreedMinor: number | null;
  readonly payments: Parameters<typeof paidOf>[1];
  readonly taxPercent: number;
}

/** One line of a receipt. */
export interface ReceiptRow {
  readonly words: string;
  readonly minor: number;
  readonly total?: true;
}

/** The lines of a receipt: what was done, what was agreed, what is paid and owed. */
export function receiptRows({ estimate, agreedMinor, payments, taxPercent }: ReceiptFacts): ReceiptRow[] {
  const amount = agreedMinor ?? estimate.totalMinor;
  const paid = paidOf(amount, payments);
  const rows: ReceiptRow[] = estimate.lines.map(({ words, minor }) => ({ words, minor }));
  if (agreedMinor !== null && agreedMinor !== estimate.totalMinor)
    rows.push({
      words: agreedMinor < estimate.totalMinor ? 'Agreed, less' : 'Agreed, more',
      minor: agreedMinor - estimate.totalMinor,
    });
  rows.push({ words: 'Total', minor: amount, total: true });
  if (taxPercent > 0)
    rows.push({ words: `within it ${taxPercent}% tax`, minor: taxWithin(amount, taxPercent) });
  if (paid.depositMinor > 0) rows.push({ words: 'Deposit', minor: paid.depositMinor });
  if (paid.paidMinor > paid.depositMinor)
    rows.push({ words: 'Paid', minor: paid.paidMinor - paid.depositMinor });
  rows.push({ words: 'Owed', minor: paid.owedMinor });
  if (paid.tipMinor > 0) rows.push({ words: 'Tip, thank you', minor: paid.tipMinor });
  return rows;
}

/** Who a receipt is from and for. */
export interface ReceiptHead {
  readonly salon: string;
  readonly client: string;
  /** As a person writes it. */
  readonly on: string;
  readonly money: (minor: number) => string;
}

/** Receipt as plain text, amounts in one column. */
export function receiptText({ salon, client, on, money }: ReceiptHead, rows: readonly ReceiptRow[]): string {
  const said = rows.map(({ words, minor }) => [words, money(minor)] as const);
  const left = Math.max(...said.map(([words]) => words.length));
  const right = Math.max(...said.map(([, figure]) => figure.length));
  return (
    [
      salon,
      `${client}, ${on}`,
      '',
      ...said.map(([words, figure]) => `${words.padEnd(left)}  ${figure.padStart(right)}`),
    ].join('\n') + '\n'
  );
}

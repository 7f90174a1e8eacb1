import { z } from 'zod';
import { RULES, USUAL_LIMITS } from '../check/check';
import { MIX_CHARGES } from '../fee';
import {
  reminderProblem,
  USUAL_OPENING,
  USUAL_REMINDER_WORDS,
  WEEK_BEGINNINGS,
  type ReminderKind,
} from '../diary';
import { SCHOOL_KEYS, SCHOOLS, USUAL_SCHOOLS, type Schools } from '../school';
import {
  AMOUNT_UNITS,
  DATE_ORDERS,
  HOUR_COUNTS,
  STRENGTH_UNITS,
  TEMPERATURE_UNITS,
  type ValueResult,
} from '../units';
import { USUAL_HOUSE_CLOCK, type House } from '../visit';
import { between, whole, yesOrNo } from './fields';
import { daysOff, weekHours } from './hours-fields';
import { parseWith } from './problem';
import { sameShape } from './same-shape';

const money = (description: string) => whole(0, 10_000_000, `${description}, minor units of the currency`);

// Each key has the answers of its own school: no type says that of an object made key by key.
const schools = z
  .strictObject(
    Object.fromEntries(
      SCHOOL_KEYS.map((key) => {
        const { question, answers, usual } = SCHOOLS[key];
        const choices = Object.keys(answers);
        return [
          key,
          z
            .enum(choices, { error: `must be one of ${choices.join(', ')}` })
            .default(usual)
            .describe(question),
        ];
      }),
    ),
  )
  .default(() => ({ ...USUAL_SCHOOLS }))
  .describe('On what good colourists disagree: the preference of the house') as unknown as z.ZodType<Schools>;

const limit = ({
  least,
  most,
  unit,
  usual,
  description,
}: {
  readonly least: number;
  readonly most: number;
  readonly unit: string;
  readonly usual: number;
  readonly description: string;
}) => between(least, most, unit, description).default(usual);

function isTimeZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }) !== null;
  } catch {
    return false;
  }
}

const USUAL_ADD_ONS = [
  { id: 'treatment', name: 'Second treatment', minor: 1500 },
  { id: 'cut', name: 'Cut', minor: 4500 },
  { id: 'finish', name: 'Blow-dry', minor: 2800 },
] as const;

const reminderWords = (kind: ReminderKind, description: string) =>
  z
    .string({ error: 'must be a text' })
    .trim()
    .min(1, 'must not be empty')
    .max(480, 'must be at most 480 characters')
    .superRefine((words, context) => {
      const problem = reminderProblem(kind, words);
      if (problem) context.addIssue({ code: 'custom', message: problem });
    })
    .default(USUAL_REMINDER_WORDS[kind])
    .describe(description);

const houseShape = z.strictObject({
  version: z.literal(1),
  units: z
    .enum(['mm', 'cm', 'in'], { error: 'must be mm, cm or in' })
    .default('mm')
    .describe('Unit in which lengths are said and read'),
  measures: z
    .strictObject({
      amounts: z
        .enum(AMOUNT_UNITS, { error: `must be one of ${AMOUNT_UNITS.join(', ')}` })
        .default('g')
        .describe('In what amounts are said'),
      strengths: z
        .enum(STRENGTH_UNITS, { error: 'must be vol or %' })
        .default('vol')
        .describe('In what strengths of developer are said'),
      temperatures: z
        .enum(TEMPERATURE_UNITS, { error: 'must be C or F' })
        .default('C')
        .describe('In what temperatures are said'),
    })
    .prefault({})
    .describe('Amounts, strengths and temperatures as they are said and read'),
  calendar: z
    .strictObject({
      dates: z
        .enum(DATE_ORDERS, { error: 'must be day-month or month-day' })
        .default('day-month')
        .describe('Which comes first in a date'),
      hours: z
        .enum(HOUR_COUNTS, { error: 'must be 24 or 12' })
        .default('24')
        .describe('Hours of a day: to 24, or twice to 12'),
      weekBegins: z
        .enum(WEEK_BEGINNINGS, { error: `must be one of ${WEEK_BEGINNINGS.join(', ')}` })
        .default('monday')
        .describe('The day that a week begins with'),
    })
    .prefault({})
    .describe('Days and times as they are written'),
  opening: z
    .strictObject({
      week: weekHours('Opening hours').default(USUAL_OPENING.week),
      closed: daysOff('Days on which the salon is closed').default([]),
    })
    .prefault({})
    .describe('When the salon is open'),
  decimalComma: yesOrNo('Figures are written with a decimal comma').default(false),
  timeZone: z
    .string({ error: 'must be the name of a time zone' })
    .max(60, 'must be the name of a time zone')
    .refine(isTimeZone, 'is no time zone that is known here')
    .default('UTC')
    .describe('Time zone of the salon, as the time zone database names it'),
  lockMinutes: whole(1, 240, 'A station locks after this many minutes without a touch').default(10),
  cautions: z
    .strictObject({
      alertHours: whole(0, 240, 'An alert test is read this many hours after it was put on').default(48),
      alertDays: whole(1, 1000, 'An alert test counts for this many days').default(180),
      strongVolumes: between(
        5,
        30,
        'vol',
        'Stronger than this asks for a reason at the hairline and on fragile hair, and is not painted on the scalp',
      ).default(20),
      scalpMm: between(10, 60, 'mm', '40 vol is never painted nearer to the scalp than this, mm').default(20),
      warmestCelsius: between(25, 60, '°C', 'Warmth that is added is never more than this, °C').default(45),
      age: whole(0, 21, 'Below this age a guardian’s consent is asked, as local law has it').default(16),
    })
    .prefault({})
    .describe('What cautions go by; the leaflet and local rules come first'),
  foil: z
    .strictObject({
      usableWidthMm: between(30, 300, 'mm', 'Width of hair that fits on one foil, mm'),
      toleranceMm: between(0, 60, 'mm', 'A section may be this much wider, mm'),
    })
    .default({ usableWidthMm: 95, toleranceMm: 25 })
    .describe('Foil of the house; new patterns take it'),
  prices: z
    .strictObject({
      currency: z
        .string({ error: 'must be a currency code' })
        .regex(/^[A-Z]{3}$/, 'must be three capital letters, such as EUR')
        .describe('Currency code'),
      way: z
        .enum(['flat', 'hourly'], { error: 'must be flat or hourly' })
        .describe('Flat with add-ons, or by the hour of foiling'),
      baseMinor: money('Base of a foil service'),
      includedFoils: whole(0, 300, 'Foils that the base includes'),
      perFoilMinor: money('Each further foil'),
      perHourMinor: money('Hour of foiling'),
      mixBy: z
        .enum(MIX_CHARGES, { error: 'must be bowl, session or gram' })
        .default('bowl')
        .describe('How the mix is charged: by bowl, by mixing session, or by gram of mix'),
      includedBowls: whole(0, 40, 'Bowls, or mixing sessions, that the base includes').default(2),
      extraBowlMinor: money('Each further bowl, or mixing session').default(1800),
      includedGrams: whole(0, 2000, 'Grams of mix that the base includes').default(120),
      tenGramsMinor: money('Each ten grams of mix more').default(300),
      includedToners: whole(0, 12, 'Toners that are included').default(1),
      extraTonerMinor: money('Each further toner').default(2200),
      rootMinor: money('Root colour; 0 where it is in the base').default(0),
      longFromMm: between(100, 1200, 'mm', 'Hair from this length is long, mm').default(550),
      longPercent: whole(0, 200, 'Long hair costs so much more, per cent').default(25),
      thickFromPerCm2: between(100, 400, 'hairs per cm²', 'Hair from this density is thick').default(230),
      thickPercent: whole(0, 200, 'Thick hair costs so much more, per cent').default(25),
      addOns: z
        .array(
          z.strictObject({
            id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'must be small letters, figures and hyphens'),
            name: z.string().trim().min(1, 'must be a name').max(60, 'must be at most 60 characters'),
            minor: money('What it costs'),
          }),
        )
        .max(30)
        .refine((own) => new Set(own.map(({ id }) => id)).size === own.length, 'names an add-on twice')
        .default(() => USUAL_ADD_ONS.map((usualAddOn) => ({ ...usualAddOn }))),
      taxPercent: between(0, 40, '%', 'Tax within the prices, per cent').default(20),
    })
    .prefault({
      currency: 'EUR',
      way: 'flat',
      baseMinor: 9000,
      includedFoils: 20,
      perFoilMinor: 150,
      perHourMinor: 6000,
    })
    .describe('Prices'),
  aftercare: z
    .string({ error: 'must be text' })
    .trim()
    .max(1000, 'must be at most 1000 characters')
    .default('')
    .describe('What a client should take care of after a visit, shown on their own page'),
  reminders: z
    .strictObject({
      daysBefore: whole(0, 14, 'Appointments so many days ahead are reminded of; 0 is the same day').default(
        2,
      ),
      fromMinute: whole(
        420,
        1200,
        'Reminders of appointments go out by themselves from this minute of the day; null: only by hand',
      )
        .nullable()
        .default(null),
      appointment: reminderWords(
        'appointment',
        'Words of a reminder; {name}, {day}, {time}, {colourist}, {salon} and {page} are filled in',
      ),
      due: reminderWords(
        'due',
        'Words for a visit that is due and not booked; {name}, {day}, {salon} and {page} are filled in',
      ),
    })
    .prefault({})
    .describe('Reminder texts'),
  slotMinutes: whole(10, 600, 'Time for the foils of a visit, minutes; null where none is set')
    .nullable()
    .default(null),
  rulesOff: z
    .array(z.enum(RULES, { error: `must be one of ${RULES.join(', ')}` }))
    .max(RULES.length)
    .default([])
    .describe('Pattern checks that this house does not want'),
  limits: z
    .strictObject({
      sliceMm: limit({
        least: 1,
        most: 20,
        unit: 'mm',
        usual: USUAL_LIMITS.sliceMm,
        description: 'Thickest see-through slice, mm',
      }),
      fineMm: limit({
        least: 1,
        most: 20,
        unit: 'mm',
        usual: USUAL_LIMITS.fineMm,
        description: 'Thickest see-through fine weave, mm',
      }),
      babyMm: limit({
        least: 1,
        most: 20,
        unit: 'mm',
        usual: USUAL_LIMITS.babyMm,
        description: 'Thickest see-through baby light, mm',
      }),
      sliverMm: limit({
        least: 0,
        most: 20,
        unit: 'mm',
        usual: USUAL_LIMITS.sliverMm,
        description: 'Least hair between foils that meet at the part, mm',
      }),
      jump: limit({
        least: 1,
        most: 5,
        unit: '',
        usual: USUAL_LIMITS.jump,
        description: 'Largest ratio between neighbouring drop-outs',
      }),
      unlitMm: limit({
        least: 10,
        most: 200,
        unit: 'mm',
        usual: USUAL_LIMITS.unlitMm,
        description: 'Longest unlit stretch of hairline, mm',
      }),
      behindMm: limit({
        least: 5,
        most: 60,
        unit: 'mm',
        usual: USUAL_LIMITS.behindMm,
        description: 'A foil this far behind the hairline still lights it, mm',
      }),
      driftDeg: limit({
        least: 5,
        most: 90,
        unit: 'degrees',
        usual: USUAL_LIMITS.driftDeg,
        description: 'Turn of a diagonal over its panel, degrees',
      }),
      shortMm: limit({
        least: 5,
        most: 200,
        unit: 'mm',
        usual: USUAL_LIMITS.shortMm,
        description: 'Hairline hair shorter than this is pinned away, mm',
      }),
    })
    .prefault({})
    .describe('Limits of the pattern checks'),
  clock: z
    .strictObject({
      visits: z
        .union([z.literal(1), z.literal(2), z.literal(3), z.literal('free')], {
          error: 'must be 1, 2, 3 or free',
        })
        .default(USUAL_HOUSE_CLOCK.visits)
        .describe('Visits to the basin at most'),
      marginMinutes: between(0, 15, 'min', 'Minutes kept in hand before every limit').default(
        USUAL_HOUSE_CLOCK.marginMinutes,
      ),
      pullSeconds: between(5, 180, 's', 'Opening and wiping one foil, seconds').default(
        USUAL_HOUSE_CLOCK.pullSeconds,
      ),
      changeOverMinutes: between(0, 10, 'min', 'Changing over from foiling to opening foils').default(
        USUAL_HOUSE_CLOCK.changeOverMinutes,
      ),
      liftsOnPercent: between(
        0,
        100,
        '%',
        'Hair that was opened lifts on at so many hundredths of its rate until it is rinsed',
      ).default(USUAL_HOUSE_CLOCK.liftsOnPercent),
    })
    .prefault({})
    .describe('How the clock of a visit reckons'),
  chair: z
    .strictObject({
      tapAnywhere: yesOrNo('At the chair a tap anywhere does what the large button does').default(false),
    })
    .prefault({})
    .describe('How the chair is worked'),
  schools,
});
sameShape<z.infer<typeof houseShape>, House>(true);

/** What a salon sets once for all its visits. */
export const houseSchema: z.ZodType<House> = houseShape;

/** A house that has set nothing yet. */
export const USUAL_HOUSE: House = houseSchema.parse({ version: 1 });

export function parseHouse(value: unknown): ValueResult<House> {
  return parseWith(houseSchema, value);
}

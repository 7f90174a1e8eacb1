'use client';

import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { Slider } from '@/ui/slider';
import { Switch } from '@/ui/switch';
import { Choice, Questions } from '../question';
import { readMm } from '../read-figures';
import { useAnswers } from '../use-answers';

const PART_SIDES = [
  { value: 'left', words: 'Left' },
  { value: 'middle', words: 'Middle' },
  { value: 'right', words: 'Right' },
] as const;
const MOVES = [
  { value: 'never', words: 'Never' },
  { value: 'sometimes', words: 'Sometimes' },
  { value: 'often', words: 'Often' },
] as const;
const COWLICKS = [
  { value: 'none', words: 'None' },
  { value: 'front', words: 'Front' },
  { value: 'crown', words: 'Crown' },
  { value: 'both', words: 'Both' },
] as const;
const CUT_ENDS = [
  { value: 'one-length', words: 'One length' },
  { value: 'long-layers', words: 'Long layers' },
  { value: 'layers', words: 'Layers' },
  { value: 'bob', words: 'Bob' },
] as const;
const CURLS = [
  { value: 'straight', words: 'Straight' },
  { value: 'wavy', words: 'Wavy' },
  { value: 'curly', words: 'Curly' },
  { value: 'coily', words: 'Coily' },
] as const;
const WHORLS = [
  { value: 'none', words: 'None' },
  { value: 'clockwise', words: 'Clockwise' },
  { value: 'anticlockwise', words: 'Anticlockwise' },
] as const;
const USUAL_OFFSET_MM = 22;

const asked = (share: number | null) =>
  share === null ? 'not asked' : `${Math.round(share * 100)}% of the time`;

/** How the hair is worn and parted. */
export function WornChapter() {
  const { consult, set, setHead } = useAnswers();
  const { wornUpShare: up, wornHalfUpShare: half, head } = consult;
  const { offsetMm, none } = head.part;
  const side = offsetMm === 0 ? 'middle' : offsetMm > 0 ? 'left' : 'right';
  const setPart = (part: Partial<typeof head.part>) => setHead('part', { part: { ...head.part, ...part } });
  const down = up === null ? null : Math.max(0, 1 - up - (half ?? 0));
  return (
    <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
      <Questions title="Up, half up, down">
        <Slider
          label="Tied up"
          min={0}
          max={100}
          step={10}
          value={Math.round((up ?? 0) * 100)}
          said={asked(up)}
          hint="From about half the time, the pattern must work from the hairline. People tend to underestimate it."
          onChange={(percent) =>
            set('tied up', {
              wornUpShare: percent / 100,
              wornHalfUpShare: half === null ? null : Math.min(half, (100 - percent) / 100),
            })
          }
        />
        <Slider
          label="Half up"
          min={0}
          max={100}
          step={10}
          value={Math.round((half ?? 0) * 100)}
          said={asked(half)}
          onChange={(percent) =>
            set('half up', { wornHalfUpShare: Math.min(percent, 100 - Math.round((up ?? 0) * 100)) / 100 })
          }
        />
        <p className="flex items-baseline justify-between text-base text-ink-soft">
          Down <span className="text-lg font-semibold text-ink">{asked(down)}</span>
        </p>
        <Choice
          label="Curl"
          value={consult.curl}
          options={CURLS}
          onChange={(curl) => set('how the hair bends', { curl })}
        />
        <Choice
          label="Cut"
          value={consult.cut?.ends ?? null}
          options={CUT_ENDS}
          onChange={(ends) =>
            set('how the hair is cut', { cut: ends && { ends, fringe: consult.cut?.fringe ?? false } })
          }
        />
        <div className="flex items-center justify-between gap-3">
          <span className="text-base">With a fringe</span>
          <Switch
            label="With a fringe"
            on={consult.cut?.fringe ?? false}
            onChange={(fringe) =>
              set('fringe', { cut: { ends: consult.cut?.ends ?? 'long-layers', fringe } })
            }
          />
        </div>
      </Questions>
      <Questions title="The part">
        <div>
          <p aria-hidden className="mb-1 text-sm font-semibold">
            Where it lies
          </p>
          <div className="grid grid-cols-[1fr_104px] gap-3">
            <Segmented
              label="Side of the part"
              value={none ? null : side}
              options={PART_SIDES}
              onChange={(next) =>
                setPart({
                  none: false,
                  offsetMm:
                    next === 'middle'
                      ? 0
                      : (next === 'left' ? 1 : -1) * (Math.abs(offsetMm) || USUAL_OFFSET_MM),
                })
              }
            />
            <NumberField
              label="Part, distance from the middle"
              hideLabel
              unit="mm"
              min={0}
              max={60}
              value={Math.abs(offsetMm)}
              parse={readMm}
              onChange={(mm) => mm !== undefined && setPart({ offsetMm: (side === 'right' ? -1 : 1) * mm })}
            />
          </div>
          <p className="mt-1 text-xs text-ink-soft">
            The client’s left and right; the sides are sectioned down from it.
          </p>
        </div>
        <div className="flex items-center justify-between gap-3">
          <span className="text-base">Worn without a part</span>
          <Switch label="Worn without a part" on={none} onChange={(next) => setPart({ none: next })} />
        </div>
        <Choice
          label="How often it moves"
          value={consult.partMoves}
          options={MOVES}
          onChange={(partMoves) => set('how often the part moves', { partMoves })}
        />
        <Choice
          label="Cowlick"
          value={consult.cowlick}
          options={COWLICKS}
          onChange={(cowlick) => set('cowlick', { cowlick })}
        />
        <Choice
          label="Whorl at the crown, from above"
          value={head.crown.whorl}
          options={WHORLS}
          onChange={(whorl) => setHead('whorl', { crown: { ...head.crown, whorl } })}
        />
      </Questions>
    </div>
  );
}

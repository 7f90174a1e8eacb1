'use client';

import { useState } from 'react';
import { cssColour, naturalHair } from '@/core/lift';
import { BRIGHTNESS, brightnessStep } from '@/core/pattern';
import { formatLevel } from '@/core/units';
import { Button } from '@/ui/button';
import { TextArea, TextField } from '@/ui/field';
import { HairSwatch } from '@/ui/hair-swatch';
import { PlusIcon } from '@/ui/icons';
import { Select } from '@/ui/select';
import { useCalendar } from '../../house/calendar';
import { LevelSlider } from '../level-slider';
import { Questions } from '../question';
import { useAnswers } from '../use-answers';
import { Entry } from './entry';

const BRIGHTNESS_OPTIONS = BRIGHTNESS.map(({ step, words }) => ({ value: String(step), words }));

/** Goals over several visits with a target for each, and what else was said. */
export function GoalsChapter() {
  const calendar = useCalendar();
  const { consult, set } = useAnswers();
  return (
    <div className="grid gap-6">
      <Questions title="Targets of the coming visits, in order">
        <p className="text-base text-ink-soft">
          Moving off solid lightening, off frequent visits, or into grey takes several visits. Do not force it
          into one.
        </p>
        <ol className="grid gap-1">
          {consult.goals.map((goal, i) => (
            <Entry
              key={`${goal.words}${i}`}
              what={goal.words}
              onRemove={() => set('goals', { goals: consult.goals.filter((other) => other !== goal) })}
            >
              <span className="w-5 text-lg font-semibold text-leaf">{i + 1}</span>
              {goal.level !== null && <HairSwatch colour={cssColour(naturalHair(goal.level))} />}
              <span className="flex-1">
                <b>{goal.words}</b>{' '}
                <span className="text-ink-soft">
                  {[
                    goal.level !== null && `level ${formatLevel(goal.level)}`,
                    brightnessStep(goal.brightness).words,
                    goal.byOn && `by ${calendar.day(goal.byOn)}`,
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </span>
              </span>
            </Entry>
          ))}
        </ol>
        {consult.goals.length < 8 && (
          <AddGoal
            level={consult.goalLevel}
            onAdd={(goal) => set('goals', { goals: [...consult.goals, goal] })}
          />
        )}
      </Questions>
      <div className="private">
        <TextArea
          label="Notes"
          rows={4}
          maxLength={4000}
          value={consult.notes}
          onChange={(event) => set('notes', { notes: event.target.value })}
          hint="What else was said. Hidden when the screen is turned to the client."
        />
      </div>
    </div>
  );
}

function AddGoal({
  level: usual,
  onAdd,
}: {
  level: number;
  onAdd(goal: { words: string; level: number | null; brightness: number; byOn: string | null }): void;
}) {
  const [words, setWords] = useState('');
  const [level, setLevel] = useState(usual);
  const [brightness, setBrightness] = useState('3');
  const [byOn, setByOn] = useState('');
  const [problem, setProblem] = useState<string>();
  const add = () => {
    if (words.trim() === '') return setProblem('Target: say what you are aiming for.');
    onAdd({ words: words.trim(), level, brightness: Number(brightness), byOn: byOn || null });
    setWords('');
    setByOn('');
    setProblem(undefined);
  };
  return (
    <div className="grid grid-cols-2 items-end gap-x-4 gap-y-2">
      <TextField
        label="Target"
        value={words}
        maxLength={120}
        onChange={(event) => setWords(event.target.value)}
        problem={problem}
      />
      <LevelSlider label="Level of the target" value={level} onChange={setLevel} />
      <Select
        label="Brightness of the target"
        value={brightness}
        options={BRIGHTNESS_OPTIONS}
        onChange={setBrightness}
      />
      <div className="grid grid-cols-[1fr_auto] items-end gap-2">
        <TextField label="By" type="date" value={byOn} onChange={(event) => setByOn(event.target.value)} />
        <Button className="h-10" onClick={add}>
          <PlusIcon /> Add target
        </Button>
      </div>
    </div>
  );
}

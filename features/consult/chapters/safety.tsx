'use client';

import { NOTED_WORDS } from '@/core/caution';
import { NOTED, type Health } from '@/core/visit';
import { Button } from '@/ui/button';
import { Consents } from '../../safety/consents';
import { Tests } from '../../safety/tests';
import { Choice, Questions } from '../question';
import { useAnswers } from '../use-answers';

const ALLERGY = [
  { value: 'none', words: 'None known' },
  { value: 'known', words: 'Known reaction' },
] as const;
const DYES = [
  { value: 'none', words: 'None' },
  { value: 'metal', words: 'Metal-salt' },
  { value: 'plant', words: 'Plant' },
  { value: 'unknown', words: 'Unknown' },
] as const;
const SCALP = [
  { value: 'sound', words: 'Sound' },
  { value: 'irritated', words: 'Irritated' },
  { value: 'inflamed', words: 'Inflamed' },
  { value: 'broken', words: 'Broken' },
] as const;
const FEEL = [
  { value: 'sound', words: 'Springs back' },
  { value: 'stretchy', words: 'Stretchy or gummy' },
] as const;

/** What cautions rest on, tests and consents. */
export function SafetyChapter() {
  const { consult, setHealth } = useAnswers();
  const { health } = consult;
  const toggle = (fact: Health['noted'][number]) =>
    setHealth(NOTED_WORDS[fact], {
      noted: health.noted.includes(fact)
        ? health.noted.filter((own) => own !== fact)
        : [...health.noted, fact],
    });
  return (
    <div className="grid gap-6">
      <p className="rounded-ui bg-amber-pale p-3 text-base">
        <b className="text-amber-bark">Cautions do not clear a service.</b> The product’s leaflet, local rules
        and your licensed judgement come first.
      </p>
      <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
        <Questions title="Asked">
          <Choice
            label="Allergic reaction to colour"
            value={health.allergy}
            options={ALLERGY}
            onChange={(allergy) => setHealth('allergic reaction', { allergy })}
          />
          <Choice
            label="Metal-salt or plant dyes"
            value={health.dyes}
            options={DYES}
            onChange={(dyes) => setHealth('earlier dyes', { dyes })}
            hint="Plant and progressive dyes: lightener on them can heat and smoke."
          />
          <div role="group" aria-label="Also to consider">
            <p aria-hidden className="mb-1 text-sm font-semibold">
              Also to consider
            </p>
            <div className="flex gap-2">
              {NOTED.map((fact) => (
                <Button
                  key={fact}
                  small
                  className="flex-1"
                  look={health.noted.includes(fact) ? 'primary' : 'plain'}
                  aria-pressed={health.noted.includes(fact)}
                  onClick={() => toggle(fact)}
                >
                  {NOTED_WORDS[fact].replace(/^a /, '')}
                </Button>
              ))}
            </div>
          </div>
        </Questions>
        <Questions title="Checked today">
          <Choice
            label="Scalp"
            value={health.scalp}
            options={SCALP}
            onChange={(scalp) => setHealth('scalp', { scalp })}
          />
          <Choice
            label="A wet strand, pulled gently"
            value={health.strandFeel}
            options={FEEL}
            onChange={(strandFeel) => setHealth('wet strand', { strandFeel })}
          />
        </Questions>
      </div>
      <Questions title="Tests">
        <Tests />
      </Questions>
      <Questions title="Consents">
        <Consents />
      </Questions>
    </div>
  );
}

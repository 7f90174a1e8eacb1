'use client';

import { zoneWords, type NextStep, type ServiceScript, type ServiceState } from '@/core/chair';
import { basinMinutes } from '@/core/clock';
import { gatherName } from '@/core/pattern';
import { Stitches } from './stitches';
import { clockTime, seconds, until } from './words';

interface StepViewProps {
  script: ServiceScript;
  state: ServiceState;
  step: NextStep;
  now: number;
}

/** The one thing that is to be done, in type that is read at two metres. */
export function StepView({ script, state, step, now }: StepViewProps) {
  const names = (ids: readonly string[]) => ids.map((id) => script.blocks.find((own) => own.id === id)?.name ?? id).join(', ');
  switch (step.kind) {
    case 'start':
      if (script.foils.length === 0) return <Words over="No foils" big="Start" under="What follows is timed: wash, colour, rinse, dry." />;
      return <Words over={`${script.foils.length} foils in ${script.blocks.length} parts`} big="Start" under="The clock runs from the first foil on. Mix the first bowl, section the first panel." />;
    case 'foil':
      return <FoilWords script={script} state={state} step={step} now={now} />;
    case 'bowl':
      return <Words over={step.why === 'spent' ? 'The bowl is spent' : 'Another mix'} big={`Fresh bowl ${step.mix}`} under={script.mixes[step.mix] ?? ''} />;
    case 'wait':
      return <Words over="Nothing to foil until then: check, sweep, talk" big={until(step.until, now)} under={`${names(step.blocks)} to the basin at ${clockTime(step.until)}, by the estimate.`} />;
    case 'rinse':
      return <Words over="To the basin now" big="Rinse" under={names(step.blocks)} blue />;
    case 'pull':
      return <Words over="The second person opens and wipes" big="Pull" under={names([step.block])} blue />;
    case 'at-basin':
      return <Words over={`At the basin: ${names(step.blocks)}`} big={seconds(now - step.begunAt)} under={`Usually ${basinMinutes(step.blocks.length, script.rules)} min. Tap once the last panel runs clear.`} blue />;
    case 'step-begin':
      return <Words over="Next" big={step.step.name} under={`${Math.round(step.step.to - step.step.from)} min. Tap when it begins.`} blue={step.step.kind === 'wash' || step.step.kind === 'rinse'} />;
    case 'step-done': {
      const minutes = step.step.to - step.step.from;
      return <Words over={step.step.name} big={seconds(now - step.begunAt)} under={`${Math.round(minutes)} min, until ${clockTime(step.begunAt + minutes * 60_000)}; watched. Tap when it is done.`} blue={step.step.kind === 'wash' || step.step.kind === 'rinse'} />;
    }
    case 'finish':
      return <Words over="Everything is done" big="Finish" under="The record is written with it: planned against actual, foil by foil." />;
    case 'finished':
      return <Words over={state.finishedAt ? `Finished at ${clockTime(state.finishedAt)}` : ''} big="Recorded" under="Look at it in Record: the level reached, photos, the next visit." />;
  }
}

function Words({ over, big, under, blue = false }: { over: string; big: string; under: string; blue?: boolean }) {
  return (
    <div className="grid content-center gap-3">
      <p className="text-3xl leading-tight font-semibold text-ink-soft">{over}</p>
      <p className={`text-[clamp(56px,8vw,104px)] leading-none font-extrabold break-words wide ${blue ? 'text-sky' : ''}`}>{big}</p>
      <p className="text-2xl leading-snug">{under}</p>
    </div>
  );
}

function FoilWords({ script, state, step, now }: StepViewProps & { step: Extract<NextStep, { kind: 'foil' }> }) {
  const { planned, block, place } = step;
  const zone = planned ? zoneWords(planned.zone) : '';
  const spent = state.freeAt === null ? 0 : now - state.freeAt;
  return (
    <div className="grid content-center gap-[clamp(6px,1.8vh,16px)]">
      <div>
        <p className="text-2xl font-semibold text-ink-soft">{block.block.name}{zone && ` · ${zone.toLowerCase()}`}</p>
        <p className="text-[clamp(52px,min(7.4vw,11vh),96px)] leading-none font-extrabold wide">{planned?.kind === 'open-air' ? 'Paint' : 'Foil'} {planned?.number ?? '+'}</p>
        <p className="text-2xl">{place + 1} of {block.foils.length} in this part</p>
      </div>
      {planned && (
        <div className="grid gap-1.5">
          <p className="text-2xl font-semibold">{capital(gatherName(planned.gather, planned.thicknessMm))}, {Math.round(planned.widthMm)} × {round(planned.thicknessMm)} mm{planned.teasing > 0 && `, teased ${planned.teasing}×`}</p>
          <Stitches gather={planned.gather} widthMm={planned.widthMm} />
        </div>
      )}
      <div className="flex items-center gap-4">
        <span className="grid size-16 shrink-0 place-items-center rounded-full bg-ink text-[34px] font-extrabold text-raised">{block.block.formula}</span>
        <p className="text-2xl leading-tight">{script.mixes[block.block.formula] ?? ''}<br />{planned && (planned.startMm > 0 ? `Start ${Math.round(planned.startMm)} mm off the scalp${planned.featherMm > 0 ? `, feather ${Math.round(planned.featherMm)} mm` : ''}` : 'From the scalp, not on it')}</p>
      </div>
      <p className="text-[clamp(40px,7vh,56px)] leading-none font-bold" aria-label="Seconds spent">{seconds(spent)} <span className="text-2xl font-medium text-ink-soft">usually {seconds((planned?.seconds ?? 60) * 1000)}</span></p>
    </div>
  );
}

const round = (mm: number) => Math.round(mm * 10) / 10;
const capital = (words: string) => `${words[0].toUpperCase()}${words.slice(1)}`;

'use client';

import { useState } from 'react';
import { POSES, STAGES, type Pose, type Stage } from '@/core/formats';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { Segmented } from '@/ui/segmented';
import { Wiper } from '@/ui/wiper';
import { photoAddress } from './address';
import { PoseCamera } from './pose-camera';
import { ghostFor, posedOf } from './posed';
import { usePhotos } from './use-photos';

const POSE_WORDS: Readonly<Record<Pose, string>> = {
  front: 'Front',
  left: 'Left',
  right: 'Right',
  back: 'Back',
  top: 'From above',
  'tied-back': 'Tied back',
  underneath: 'Underneath',
};
const STAGE_WORDS: Readonly<Record<Stage, string>> = { before: 'Before', after: 'After' };

interface PoseSetProps {
  clientId: string;
  visitId: string;
  /** The client has signed that pictures may be kept. */
  consented: boolean;
}

/** Pictures in fixed poses, before and after, framed by the last one; wiped from one to the other. */
export function PoseSet({ clientId, visitId, consented }: PoseSetProps) {
  const { photos = [], add, busy, problem } = usePhotos(clientId, 'hair', visitId);
  const [taking, take] = useState<{ pose: Pose; stage: Stage }>();
  const [wiping, wipe] = useState<Pose>();
  return (
    <section aria-label="Pictures in fixed poses" className="grid gap-2">
      <h3 className="text-md font-bold">Pictures in fixed poses</h3>
      {!consented && (
        <p className="text-sm font-medium text-amber-bark">
          No consent for pictures is on record: ask first, under Consult, Safety.
        </p>
      )}
      <ul className="grid grid-cols-2 gap-3">
        {POSES.map((pose) => {
          const shots = STAGES.map((stage) => [stage, posedOf(photos, visitId, pose, stage)] as const);
          return (
            <li key={pose} className="rounded-ui border border-line p-2">
              <div className="mb-1.5 flex min-h-8 items-center justify-between gap-2">
                <b className="text-base">{POSE_WORDS[pose]}</b>
                {photos.filter((photo) => photo.document.pose === pose).length > 1 && (
                  <Button
                    small
                    look="quiet"
                    onClick={() => wipe(pose)}
                    aria-label={`Compare ${POSE_WORDS[pose]}`}
                  >
                    Compare
                  </Button>
                )}
              </div>
              <div className="grid grid-cols-2 gap-2">
                {shots.map(([stage, shot]) => (
                  <button
                    key={stage}
                    type="button"
                    onClick={() => take({ pose, stage })}
                    aria-label={`${STAGE_WORDS[stage]}, ${POSE_WORDS[pose]}: ${shot ? 'take again' : 'take'}`}
                    className="relative grid aspect-[4/3] place-items-center overflow-hidden rounded-ui border border-edge bg-field text-sm hover:border-ink"
                  >
                    {/* Bytes of the salon's own server, sized already. */}
                    {shot && (
                      <img
                        src={photoAddress(shot.id, 'small')}
                        alt=""
                        className="absolute inset-0 h-full w-full object-cover"
                      />
                    )}
                    <span
                      className={
                        shot
                          ? 'absolute bottom-1 left-1 rounded-ui bg-raised px-1.5 font-semibold'
                          : 'font-semibold'
                      }
                    >
                      {STAGE_WORDS[stage]}
                    </span>
                  </button>
                ))}
              </div>
            </li>
          );
        })}
      </ul>
      {problem && (
        <p role="alert" className="text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
      <Dialog
        open={taking !== undefined}
        onOpenChange={(open) => !open && take(undefined)}
        title={taking ? `${POSE_WORDS[taking.pose]}, ${STAGE_WORDS[taking.stage].toLowerCase()}` : ''}
        middle
      >
        {taking && (
          <PoseCamera
            ghost={ghostFor(photos, visitId, taking.pose, taking.stage)}
            busy={busy}
            onTaken={(file) => void add(file, taking).then(() => take(undefined))}
          />
        )}
      </Dialog>
      <Dialog
        open={wiping !== undefined}
        onOpenChange={(open) => !open && wipe(undefined)}
        title={wiping ? POSE_WORDS[wiping] : ''}
        wide
      >
        {wiping && (
          <Compare
            photos={photos.filter((photo) => photo.document.pose === wiping)}
            visitId={visitId}
            pose={wiping}
          />
        )}
      </Dialog>
    </section>
  );
}

type Photos = NonNullable<ReturnType<typeof usePhotos>['photos']>;

/** Before against after of this visit, or against the last visit’s. */
function Compare({ photos, visitId, pose }: { photos: Photos; visitId: string; pose: Pose }) {
  const before = posedOf(photos, visitId, pose, 'before');
  const after = posedOf(photos, visitId, pose, 'after');
  const last = ghostFor(
    photos.filter((photo) => photo.visitId !== visitId),
    visitId,
    pose,
    'before',
  );
  const own = after ?? before;
  const pairs = [
    ...(before && after
      ? [{ value: 'visit' as const, words: 'Before and after', left: before, right: after }]
      : []),
    ...(last && own
      ? [{ value: 'last' as const, words: 'Last visit and this one', left: last, right: own }]
      : []),
  ];
  const [chosen, choose] = useState<'visit' | 'last'>(pairs[0]?.value ?? 'visit');
  const pair = pairs.find(({ value }) => value === chosen);
  if (!pair) return <p className="text-base text-ink-soft">A second picture of this pose is needed.</p>;
  return (
    <div className="grid gap-3">
      {pairs.length > 1 && (
        <div className="max-w-[420px]">
          <Segmented label="What is compared" value={chosen} options={pairs} onChange={choose} />
        </div>
      )}
      <div className="h-[62dvh] overflow-hidden rounded-ui bg-ink">
        <Wiper
          label={`Wipe: ${pair.words.toLowerCase()}`}
          before={<Shot id={pair.left.id} />}
          after={<Shot id={pair.right.id} />}
        />
      </div>
      <p className="text-sm text-ink-soft">
        Left of the line the earlier picture. Compare in the same light.
      </p>
    </div>
  );
}

function Shot({ id }: { id: string }) {
  return (
    <img src={photoAddress(id, 'full')} alt="" draggable={false} className="h-full w-full object-contain" />
  );
}

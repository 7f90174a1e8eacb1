import type { Pose, Stage } from '@/core/formats';
import type { Photo } from './queries';

type Posed = Pick<Photo, 'id' | 'visitId' | 'takenAt'> & {
  readonly document: Pick<Photo['document'], 'pose' | 'stage'>;
};

const newestFirst = <T extends Posed>(photos: readonly T[]) =>
  [...photos].sort((a, b) => b.takenAt.localeCompare(a.takenAt));

/** The picture of a visit in a pose, the newest where there are several. */
export function posedOf<T extends Posed>(
  photos: readonly T[],
  visitId: string,
  pose: Pose,
  stage: Stage,
): T | undefined {
  return newestFirst(photos).find(
    (item) => item.visitId === visitId && item.document.pose === pose && item.document.stage === stage,
  );
}

/**
 * What a new picture is framed by: after the service the one from before it, else the last visit's in that
 * pose, the one after its
 * service rather than the one before.
 */
export function ghostFor<T extends Posed>(
  photos: readonly T[],
  visitId: string,
  pose: Pose,
  stage: Stage,
): T | undefined {
  const own = stage === 'after' ? posedOf(photos, visitId, pose, 'before') : undefined;
  if (own) return own;
  const earlier = newestFirst(photos).filter((one) => one.visitId !== visitId && one.document.pose === pose);
  const last = earlier[0]?.visitId;
  return earlier.find((one) => one.visitId === last && one.document.stage === 'after') ?? earlier[0];
}

import { ghostFor, posedOf } from './posed';

const shot = (
  id: string,
  visitId: string,
  stage: 'before' | 'after',
  takenAt: string,
  pose: 'left' | 'back' = 'left',
) => ({ id, visitId, takenAt, document: { pose, stage } });
const ALL = [
  shot('old-before', 'v1', 'before', '2027-01-04T09:00Z'),
  shot('old-after', 'v1', 'after', '2027-01-04T12:00Z'),
  shot('mid-before', 'v2', 'before', '2027-03-01T09:00Z'),
  shot('now-before', 'v3', 'before', '2027-05-01T09:00Z'),
  shot('now-again', 'v3', 'before', '2027-05-01T09:05Z'),
  shot('other', 'v3', 'after', '2027-05-01T12:00Z', 'back'),
];

test('a pose of a visit is its newest picture', () => {
  expect(posedOf(ALL, 'v3', 'left', 'before')?.id).toBe('now-again');
  expect(posedOf(ALL, 'v3', 'left', 'after')).toBeUndefined();
});

test('a picture is framed by the one from before the service, else by the last visit’s', () => {
  expect(ghostFor(ALL, 'v3', 'left', 'after')?.id).toBe('now-again');
  // The last visit has only the one from before; the visit before that has one from after.
  expect(ghostFor(ALL, 'v3', 'left', 'before')?.id).toBe('mid-before');
  expect(
    ghostFor(
      ALL.filter(({ visitId }) => visitId !== 'v2'),
      'v3',
      'left',
      'before',
    )?.id,
  ).toBe('old-after');
  expect(ghostFor(ALL, 'v9', 'back', 'before')?.id).toBe('other');
  expect(ghostFor([], 'v3', 'left', 'before')).toBeUndefined();
});

'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import type { Pose } from '@/core/formats';
import type { Lamp, Picture, View, WearSubject, Way } from '@/core/wear';
import type { Shown } from '@/workers/wear-asks';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { downloadBlob } from '../download';
import { useCalendar } from '../house/calendar';
import { photoAddress } from '../photos/address';
import { posedOf } from '../photos/posed';
import { usePhotos } from '../photos/use-photos';
import { useVisit } from '../visit/store';
import { useWear } from './use-wear';

const MOMENTS = ['before', 0, 4, 8, 12] as const;
const PIXEL_MM = 0.75;
/** A phone's screen, upright. */
const SIZE = { width: 1080, height: 1920 } as const;
const NOTE = ['An estimate of placement and contrast,', 'not a promise of colour.'] as const;

interface ShowClientProps {
  subject: WearSubject;
  way: Way;
  view: View;
  lamp: Lamp;
}

/**
 * One picture to show or to send to the client: the hair today beside what is planned, and how it grows out.
 */
export function ShowClient(props: ShowClientProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button small onClick={() => setOpen(true)}>
        Show the client
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title="For the client" middle>
        {open && <Sheet {...props} />}
      </Dialog>
    </>
  );
}

function Sheet({ subject, way, view, lamp }: ShowClientProps) {
  const calendar = useCalendar();
  const { bundle } = useVisit();
  const consented = bundle.safety.consents.some(
    ({ kind, withdrawnAt }) => kind === 'photo' && withdrawnAt === null,
  );
  const { photos = [] } = usePhotos(bundle.client.id, 'hair', bundle.id);
  const pose: Pose = way.kind === 'tied' || way.kind === 'bun' ? 'tied-back' : view;
  const photo = consented ? posedOf(photos, bundle.id, pose, 'before') : undefined;
  const strip = useWear(
    'show',
    2,
    'strip',
    useMemo(
      () => ({ subject, way, view, moments: MOMENTS, lamp, pixelMm: PIXEL_MM }),
      [subject, way, view, lamp],
    ),
  );
  const canvas = useRef<HTMLCanvasElement>(null);
  const [problem, setProblem] = useState<string>();
  const [today, setToday] = useState<HTMLImageElement>();
  useEffect(() => {
    if (!photo) return;
    const image = new Image();
    image.onload = () => setToday(image);
    image.src = photoAddress(photo.id, 'full');
  }, [photo]);
  useEffect(() => {
    if (canvas.current && strip.answer)
      compose({
        canvas: canvas.current,
        shown: strip.answer,
        today: photo ? today : undefined,
        mirrored: view === 'front',
        day: calendar.day(bundle.heldOn),
      });
  }, [strip.answer, today, photo, view, bundle.heldOn, calendar]);
  const png = () =>
    new Promise<Blob>((resolve, reject) =>
      canvas.current!.toBlob(
        (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made.'))),
        'image/png',
      ),
    );
  const save = async (form: 'png' | 'pdf') => {
    setProblem(undefined);
    try {
      const blob = await png();
      if (form === 'png') return downloadBlob('hair-estimate.png', blob);
      const answer = await fetch(`/visits/${bundle.id}/sheet/estimate.pdf`, {
        method: 'POST',
        body: blob,
        headers: { 'Content-Type': 'image/png' },
      });
      if (!answer.ok) return setProblem(await answer.text());
      downloadBlob('hair-estimate.pdf', await answer.blob());
    } catch {
      setProblem('It could not be saved: is the network there? Try again.');
    }
  };
  return (
    <div className="grid gap-4" data-shown={strip.done}>
      <canvas
        ref={canvas}
        {...SIZE}
        role="img"
        aria-label="Today, after the visit, and in 4, 8 and 12 weeks: an estimate"
        className="mx-auto h-[56dvh] rounded-ui border border-line"
      />
      <p className="text-sm text-ink-soft">
        {photo
          ? 'Today is the picture that was taken before.'
          : consented
            ? 'No picture of today in this pose: the hair is drawn as it was read.'
            : 'No consent for pictures is on record: the hair of today is drawn as it was read.'}
      </p>
      <div className="flex gap-2">
        <Button look="primary" disabled={!strip.done} onClick={() => void save('png')}>
          Save picture
        </Button>
        <Button server disabled={!strip.done} onClick={() => void save('pdf')}>
          Save PDF
        </Button>
      </div>
      {problem && (
        <p role="alert" className="text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
    </div>
  );
}

/** Draws the sheet. @param today the picture of today, where there is one */
function compose({
  canvas,
  shown,
  today,
  mirrored,
  day,
}: {
  readonly canvas: HTMLCanvasElement;
  readonly shown: readonly Shown[];
  readonly today: HTMLImageElement | undefined;
  readonly mirrored: boolean;
  readonly day: string;
}): void {
  const on = canvas.getContext('2d')!;
  const style = getComputedStyle(document.documentElement);
  const ink = style.getPropertyValue('--color-ink');
  const soft = style.getPropertyValue('--color-ink-soft');
  const { fontFamily } = getComputedStyle(document.body);
  on.fillStyle = style.getPropertyValue('--color-ground');
  on.fillRect(0, 0, SIZE.width, SIZE.height);
  const words = ({
    text,
    x,
    y,
    size,
    colour,
    weight = 600,
  }: {
    readonly text: string;
    readonly x: number;
    readonly y: number;
    readonly size: number;
    readonly colour: string;
    readonly weight?: number;
  }) => {
    on.font = `${weight} ${size}px ${fontFamily}`;
    on.fillStyle = colour;
    on.textAlign = 'center';
    on.fillText(text, x, y);
  };
  const draw = (picture: Picture | undefined, x: number, y: number, width: number) => {
    if (!picture) return;
    const element = document.createElement('canvas');
    element.width = picture.width;
    element.height = picture.height;
    element.getContext('2d')!.putImageData(new ImageData(picture.rgba, picture.width, picture.height), 0, 0);
    on.save();
    on.imageSmoothingQuality = 'high';
    if (mirrored) {
      on.translate(2 * x + width, 0);
      on.scale(-1, 1);
    }
    on.drawImage(element, x, y, width, (width * picture.height) / picture.width);
    on.restore();
  };
  const of = (moment: Shown['moment']) => shown.find((other) => other.moment === moment)?.picture;
  words({ text: day, x: SIZE.width / 2, y: 84, size: 38, colour: soft, weight: 500 });
  words({ text: 'Today', x: 278, y: 164, size: 46, colour: ink });
  words({ text: 'After the visit', x: 802, y: 164, size: 46, colour: ink });
  if (today) {
    // As much of the photo as fills the place.
    const [w, h] = [500, 704];
    const scale = Math.max(w / today.naturalWidth, h / today.naturalHeight);
    const [sw, sh] = [w / scale, h / scale];
    on.drawImage(today, (today.naturalWidth - sw) / 2, (today.naturalHeight - sh) / 2, sw, sh, 28, 200, w, h);
  } else draw(of('before'), 28, 200, 500);
  draw(of(0), 552, 200, 500);
  ([4, 8, 12] as const).forEach((weeks, i) => {
    const x = 28 + i * 348;
    words({ text: `In ${weeks} weeks`, x: x + 164, y: 1040, size: 40, colour: ink });
    draw(of(weeks), x, 1076, 328);
  });
  NOTE.forEach((line, i) =>
    words({ text: line, x: SIZE.width / 2, y: 1716 + 58 * i, size: 42, colour: soft, weight: 500 }),
  );
}

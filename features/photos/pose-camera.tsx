'use client';

import { useEffect, useRef, useState } from 'react';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { Slider } from '@/ui/slider';
import { photoAddress } from './address';

interface PoseCameraProps {
  /** The picture that shows through, to frame by. */
  ghost: { readonly id: string } | undefined;
  busy: boolean;
  onTaken(file: File): void;
}

/** The camera with an earlier picture showing through; where there is no camera, a file is chosen. */
export function PoseCamera({ ghost, busy, onTaken }: PoseCameraProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [state, setState] = useState<'asking' | 'live' | 'none'>('asking');
  const [through, setThrough] = useState(45);
  useEffect(() => {
    let stream: MediaStream | undefined;
    let gone = false;
    const ask = async () => {
      try {
        const made = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: 'environment', width: { ideal: 1600 }, height: { ideal: 1200 } },
          audio: false,
        });
        if (gone) return made.getTracks().forEach((track) => track.stop());
        stream = made;
        video.current!.srcObject = made;
        await video.current!.play();
        setState('live');
      } catch {
        if (!gone) setState('none');
      }
    };
    void ask();
    return () => {
      gone = true;
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, []);
  const shoot = () => {
    const element = video.current!;
    const canvas = document.createElement('canvas');
    canvas.width = element.videoWidth;
    canvas.height = element.videoHeight;
    canvas.getContext('2d')!.drawImage(element, 0, 0);
    canvas.toBlob(
      (blob) => blob && onTaken(new File([blob], 'pose.jpg', { type: 'image/jpeg' })),
      'image/jpeg',
      0.92,
    );
  };
  return (
    <div className="grid gap-3">
      <div className="relative aspect-[4/3] overflow-hidden rounded-ui bg-ink">
        <video
          ref={video}
          muted
          playsInline
          aria-label="Camera"
          className="absolute inset-0 h-full w-full object-cover"
        />
        {/* Bytes of the salon's own server, sized already. */}
        {ghost && (
          <img
            src={photoAddress(ghost.id, 'full')}
            alt="The earlier picture"
            className="pointer-events-none absolute inset-0 h-full w-full object-cover"
            style={{ opacity: state === 'live' ? through / 100 : 1 }}
          />
        )}
        {state !== 'live' && (
          <p role="status" className="absolute inset-x-0 bottom-0 bg-raised/90 p-2 text-center text-base">
            {state === 'asking'
              ? 'Asking for the camera …'
              : 'No camera here, or it was not allowed: choose a picture file.'}
          </p>
        )}
      </div>
      {ghost && state === 'live' && (
        <Slider
          label="The earlier picture shows through"
          min={0}
          max={90}
          step={5}
          value={through}
          said={`${through}%`}
          onChange={setThrough}
        />
      )}
      <div className="flex items-center justify-between gap-3">
        <label
          className={`${buttonLook('plain')} cursor-pointer focus-within:outline-2 focus-within:outline-leaf`}
        >
          Choose a file
          <input
            type="file"
            accept="image/jpeg,image/png,image/webp,image/heic,image/heif,.heic"
            className="sr-only"
            disabled={busy}
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (file) onTaken(file);
              event.target.value = '';
            }}
          />
        </label>
        <Button server look="primary" disabled={busy || state !== 'live'} onClick={shoot}>
          {busy ? 'Saving …' : 'Take picture'}
        </Button>
      </div>
    </div>
  );
}

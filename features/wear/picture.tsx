'use client';

import { useEffect, useRef } from 'react';
import type { Picture } from '@/core/wear';

interface WearPictureProps {
  picture: Picture | undefined;
  /** Drawn as a mirror shows it: from the front, so that the client's left stays screen-left. */
  mirrored: boolean;
  label: string;
  className?: string;
}

/** A computed picture of hair, filling its box. */
export function WearPicture({ picture, mirrored, label, className = '' }: WearPictureProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element || !picture) return;
    element.width = picture.width;
    element.height = picture.height;
    element.getContext('2d')!.putImageData(new ImageData(picture.rgba, picture.width, picture.height), 0, 0);
  }, [picture]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      data-drawn={picture ? `${picture.width}` : undefined}
      className={`h-full w-full object-contain ${className}`}
      style={mirrored ? { transform: 'scaleX(-1)' } : undefined}
    />
  );
}

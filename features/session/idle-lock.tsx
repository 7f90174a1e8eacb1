'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef } from 'react';
import { lockStation } from './actions';

const SIGNS = ['pointerdown', 'pointermove', 'keydown', 'wheel', 'touchstart'] as const;
const LOOK_MS = 5_000;

/**
 * Locks the station after so many minutes without a touch; what was edited has been saved or is kept on the
 * device.
 */
export function IdleLock({ minutes }: { minutes: number }) {
  const lock = useLock();
  const touched = useRef(0);
  useEffect(() => {
    touched.current = Date.now();
    const touch = () => {
      touched.current = Date.now();
    };
    const timer = setInterval(() => {
      if (Date.now() - touched.current >= minutes * 60_000) void lock();
    }, LOOK_MS);
    SIGNS.forEach((sign) => window.addEventListener(sign, touch, { passive: true }));
    return () => {
      clearInterval(timer);
      SIGNS.forEach((sign) => window.removeEventListener(sign, touch));
    };
  }, [minutes, lock]);
  return null;
}

/** Locks this station and shows who may unlock it; it goes on where it was. */
export function useLock(): () => Promise<void> {
  const router = useRouter();
  const path = usePathname();
  return useCallback(async () => {
    try {
      await lockStation();
    } catch {
      // Without a network it is locked as soon as there is one again.
      return;
    }
    router.push(`/locked?to=${encodeURIComponent(path)}`);
  }, [router, path]);
}

'use client';

import { useEffect, useRef, useState, type RefObject } from 'react';

/** Width of an element, px, as it is and whenever it changes; until it is known, that of a usual window. */
export function useWidth<E extends HTMLElement = HTMLElement>(): [number, RefObject<E | null>] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(1280);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => setWidth(entry.target.clientWidth));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [width, ref];
}

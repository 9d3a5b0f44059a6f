'use client';
import { type RefObject, useLayoutEffect, useState } from 'react';

export interface Box {
  width: number;
  height: number;
}

/** The inner size of an element, px, kept up as it changes. */
export function useBox(ref: RefObject<HTMLElement | null>): Box {
  const [box, setBox] = useState<Box>({ width: 756, height: 560 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = () => {
      const { clientWidth: width, clientHeight: height } = element;
      if (width > 0 && height > 0)
        setBox((before) => (before.width === width && before.height === height ? before : { width, height }));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, [ref]);
  return box;
}

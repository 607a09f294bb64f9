import { type RefObject, useLayoutEffect, useRef, useState } from 'react';

/** The width of an element, px, kept as it changes; 0 before it is there. */
export function useWidth<E extends HTMLElement>(): [RefObject<E | null>, number] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const look = () => setWidth(Math.floor(element.clientWidth));
    look();
    const watcher = new ResizeObserver(look);
    watcher.observe(element);
    return () => watcher.disconnect();
  }, []);
  return [ref, width];
}

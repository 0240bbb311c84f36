import { useEffect, useRef, useState } from 'react';

/**
 * How wide a drawing may be: the element it stands in, as it is laid out.
 * @param usual px, until that is known
 * @param least px, below which the drawing scrolls
 */
export function useWidth(usual: number, least: number) {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(usual);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const watch = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(least, Math.floor(entry.contentRect.width))),
    );
    watch.observe(element);
    return () => watch.disconnect();
  }, [least]);
  return { ref, width };
}

'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';

/**
 * What may be wider than a phone goes sideways by itself and leaves the page as wide as the screen. Where it is wider, the keyboard
 * reaches it.
 */
export function Sideways({
  label,
  className = '',
  children,
}: {
  /** what it is, for who does not see it */
  readonly label: string;
  readonly className?: string;
  readonly children: ReactNode;
}) {
  const ref = useRef<HTMLDivElement>(null);
  const [wider, setWider] = useState(false);
  useEffect(() => {
    const element = ref.current;
    if (!element || typeof ResizeObserver === 'undefined') return;
    const look = () => setWider(element.scrollWidth > element.clientWidth + 1);
    const watch = new ResizeObserver(look);
    watch.observe(element);
    for (const child of element.children) watch.observe(child);
    return () => watch.disconnect();
  }, []);
  return (
    <div
      ref={ref}
      className={`relative overflow-x-auto ${className}`}
      {...(wider && { role: 'group', 'aria-label': label, tabIndex: 0 })}
    >
      {children}
    </div>
  );
}

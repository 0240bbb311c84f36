import type { AnchorHTMLAttributes } from 'react';

type Props = Omit<AnchorHTMLAttributes<HTMLAnchorElement>, 'href'> & {
  readonly href: string;
  readonly scroll?: boolean;
  readonly replace?: boolean;
  readonly prefetch?: boolean;
};

/** A link as the browser would know it; where it leads is asserted, not followed. */
export function PlainLink({ scroll: _scroll, replace: _replace, prefetch: _prefetch, ...props }: Props) {
  return <a {...props} onClick={(e) => (props.onClick?.(e), e.preventDefault())} />;
}

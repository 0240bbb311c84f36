// oxlint-disable-next-line no-restricted-imports -- the one place it is used
import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link to another page of the house. It fetches nothing before it is tapped: a page that is looked at again at each change
 * would else fetch every page it leads to again as well, on every screen at once.
 */
export default function Link(props: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) {
  return <NextLink prefetch={false} {...props} />;
}

'use client';

import { usePathname } from 'next/navigation';
import Link from '../kit/link.tsx';

/** What stands in House, in the order a new shop comes to it. */
export const HOUSE_PAGES = [
  { href: '/house', name: 'In force' },
  { href: '/house/shop', name: 'The shop' },
  { href: '/house/hours', name: 'Opening hours' },
  { href: '/house/people', name: 'People' },
  { href: '/house/places', name: 'Places' },
  { href: '/house/devices', name: 'Tablets' },
  { href: '/house/operations', name: 'Operations' },
  { href: '/house/planning', name: 'How we plan' },
  { href: '/house/week', name: 'The week' },
  { href: '/house/learned', name: 'How it came out' },
  { href: '/house/kinds', name: 'Kinds of instrument' },
  { href: '/house/targets', name: 'Targets' },
  { href: '/house/checklists', name: 'Checklists' },
  { href: '/house/readings', name: 'How we read' },
  { href: '/house/gauges', name: 'Gauges' },
  { href: '/house/air', name: 'The air' },
  { href: '/house/care', name: 'Care' },
  { href: '/house/hand-over', name: 'Handing over' },
  { href: '/house/messages', name: 'Messages' },
  { href: '/house/keeping', name: 'What is kept' },
  { href: '/house/copies', name: 'Copies' },
  { href: '/guide', name: 'Guide' },
] as const;

const isHere = (path: string, href: string): boolean =>
  href === '/house' ? path === href : path === href || path.startsWith(`${href}/`);

const FIRST = { href: '/house/first-day', name: 'First day' } as const;

/** The pages of House, at the side; the first day's before them until it is put away. */
export function HouseNav({ firstDay }: { readonly firstDay: boolean }) {
  const path = usePathname();
  return (
    <nav
      aria-label="House"
      className="no-print min-h-screen w-48 shrink-0 border-r border-line py-3 max-sm:flex max-sm:min-h-0 max-sm:w-full max-sm:overflow-x-auto max-sm:border-r-0 max-sm:border-b max-sm:py-0"
    >
      {(firstDay ? [FIRST, ...HOUSE_PAGES] : HOUSE_PAGES).map(({ href, name }) => (
        <Link
          key={href}
          href={href}
          aria-current={isHere(path, href) ? 'page' : undefined}
          className={`flex min-h-11 items-center px-4 whitespace-nowrap ${isHere(path, href) ? 'bg-plain text-paper' : 'hover:bg-shade'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}

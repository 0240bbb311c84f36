'use client';

import Link from '../kit/link.tsx';
import { PopUp } from '../kit/pop-up.tsx';
import { usePathname, useRouter } from 'next/navigation';
import type { Frame } from '../../server/people/load-frame.ts';
import { useLoaded } from '../data/queries.tsx';
import { FRAME_KEY } from '../data/refresh.ts';
import { forgetPages } from '../data/forget-pages.ts';
import { HelpKey } from '../guide/help-key.tsx';
import { FindKey } from './find-key.tsx';
import { Bell } from './bell.tsx';

/** The places, each at the address of its name. */
const PLACES = ['Rack', 'Desk', 'Bench', 'Week', 'Shelf', 'Stores', 'Sums', 'Practice', 'House'].map(
  (name) => ({
    name,
    href: `/${name.toLowerCase()}`,
  }),
);

const YEAR_S = 365 * 24 * 3600;

/** Whether a place is where we are; a job's leaves belong to the bench. */
const isHere = (path: string, href: string): boolean =>
  path.startsWith(href) || (href === '/bench' && path.startsWith('/job/'));

/** On a phone not all places stand beside each other: the one we are at is shown. */
const intoView = (link: HTMLAnchorElement | null): void =>
  link?.scrollIntoView({ block: 'nearest', inline: 'center' });

function setTheme(theme: 'light' | 'dim'): void {
  document.documentElement.dataset['theme'] = theme;
  document.cookie = `rubrica_theme=${theme}; path=/; max-age=${YEAR_S}; samesite=lax`;
}

function PersonMenu({ name, initials }: { readonly name: string; readonly initials: string }) {
  const router = useRouter();
  const leave = async () => {
    await fetch('/api/session', { method: 'DELETE' });
    await forgetPages();
    router.push('/sign-in?next=/rack');
    router.refresh();
  };
  const item = 'block w-full px-4 py-3 text-left hover:bg-shade focus-visible:bg-shade';
  const choices = [
    ['Paper theme', () => setTheme('light')],
    ['Dim workshop theme', () => setTheme('dim')],
    ['Switch person', () => void leave()],
  ] as const;
  return (
    <PopUp
      label={`${initials}, ${name}: switch person, theme`}
      className="m-2 flex h-13 w-13 cursor-pointer items-center justify-center rounded-full bg-quiet font-bold text-paper max-sm:m-1 max-sm:h-11 max-sm:w-11"
      face={initials}
      panel="fixed top-auto right-auto bottom-2 left-22 m-0 w-56 border border-line bg-card py-1 text-plain shadow-lg max-sm:right-2 max-sm:bottom-16 max-sm:left-auto"
    >
      {(closes) => (
        <>
          <p className="px-4 py-2 text-sm text-quiet">{name}</p>
          {choices.map(([says, choose]) => (
            <button key={says} type="button" className={item} popoverTarget={closes} onClick={choose}>
              {says}
            </button>
          ))}
        </>
      )}
    </PopUp>
  );
}

/** The places of the shop, at the left edge of every page. */
export function Nav({
  name,
  initials,
  frame,
}: {
  readonly name: string;
  readonly initials: string;
  readonly frame: Frame;
}) {
  const path = usePathname();
  const { notices, waits } = useLoaded([FRAME_KEY], '/api/frame', frame);
  return (
    <nav
      aria-label="Places"
      className="no-print sticky top-0 flex h-screen w-21 shrink-0 flex-col bg-wall text-wall-text max-sm:fixed max-sm:inset-x-0 max-sm:top-auto max-sm:bottom-0 max-sm:z-30 max-sm:h-14 max-sm:w-full max-sm:flex-row"
    >
      <Link
        href="/rack"
        aria-label="Rubrica, to the rack"
        className="flex flex-col items-center py-3 font-serif text-4xl font-bold max-sm:hidden"
      >
        R<span className="block h-[3px] w-10 rounded bg-[#c33]" aria-hidden />
      </Link>
      <div className="contents max-sm:flex max-sm:min-w-0 max-sm:flex-1 max-sm:overflow-x-auto">
        {PLACES.map((p) => (
          <Link
            key={p.href}
            href={p.href}
            ref={isHere(path, p.href) ? intoView : undefined}
            aria-current={isHere(path, p.href) ? 'page' : undefined}
            className={`flex min-h-11 items-center pl-4 max-sm:shrink-0 max-sm:px-3 ${isHere(path, p.href) ? 'ml-1 bg-paper font-bold text-plain' : ''}`}
          >
            {p.name}
          </Link>
        ))}
      </div>
      <div className="mt-auto flex flex-col items-center max-sm:mt-0 max-sm:flex-row">
        <FindKey />
        <HelpKey />
        <Bell notices={notices} waits={waits} />
        <PersonMenu name={name} initials={initials} />
      </div>
    </nav>
  );
}

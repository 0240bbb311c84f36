'use client';

import type { ReactNode } from 'react';
import type { CommandInput } from '../../contracts/commands/commands.ts';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';

type Back =
  | { readonly name: 'work.take-back-turn'; readonly input: CommandInput<'work.take-back-turn'> }
  | { readonly name: 'work.take-back-cut'; readonly input: CommandInput<'work.take-back-cut'> };

/** Something that was logged at a step: what, who and when; the last one can be taken back. */
export function LoggedRow({
  by,
  at,
  back,
  children,
}: {
  readonly by: string;
  readonly at: string;
  /** how it is taken back; null where it stays */
  readonly back: Back | null;
  readonly children: ReactNode;
}) {
  const { give, busy, trouble } = useSend();
  return (
    <li className="flex flex-wrap items-center gap-2 text-sm">
      <span>
        {children}{' '}
        <span className="text-ink">
          {by}, {sayMoment(at)}
        </span>
      </span>
      {back !== null && (
        <button
          type="button"
          className="button min-h-8 px-2"
          disabled={busy}
          onClick={() =>
            void (back.name === 'work.take-back-turn'
              ? give(back.name, back.input)
              : give(back.name, back.input))
          }
        >
          Take it back
        </button>
      )}
      <Trouble trouble={trouble} />
    </li>
  );
}

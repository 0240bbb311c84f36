'use client';

import { useState } from 'react';
import type { CommandAnswer, CommandInput, CommandName } from '../../contracts/commands/commands.ts';
import type { Failure } from '../../contracts/failure.ts';
import { inTurn } from './in-turn.ts';
import { OWN, refreshSoon, useRefresh } from './refresh.ts';
import { send } from './send.ts';
import type { Fault, Offline } from './wire.ts';

/** What gives commands, whether one runs, and what was in the way of the last. */
export type Sender = ReturnType<typeof useSend>;

/** Gives commands from a leaf: busy while one runs, the trouble it met, and the screen refreshed afterwards. */
export function useSend() {
  const [busy, setBusy] = useState(false);
  // Until the screen shows what was done, a second tap would speak of a version that is gone.
  const { refresh, refreshing } = useRefresh();
  const [trouble, setTrouble] = useState<Failure | Offline | Fault | null>(null);
  const give = async <N extends CommandName>(
    name: N,
    input: CommandInput<N>,
  ): Promise<CommandAnswer<N> | null> => {
    setBusy(true);
    const id = crypto.randomUUID();
    OWN.begin(id);
    const done = await inTurn(name, input, (at) => send(name, at as CommandInput<N>, id)).catch(
      (e: unknown) => {
        OWN.end(id, false);
        throw e;
      },
    );
    setBusy(false);
    setTrouble(done.ok ? null : done.error);
    // What is only kept here yet changes nothing there to look at.
    const kept = done.ok && 'queued' in (done.value as object);
    const looks = !kept && (done.ok || (done.error.code !== 'offline' && done.error.code !== 'fault'));
    OWN.end(id, looks);
    // The frame is told by the house whether it is concerned; a look that could not be is tried until it can.
    if (looks) void refresh({ frame: false }).then((shown) => shown || refreshSoon());
    return done.ok ? done.value : null;
  };
  return { give, busy: busy || refreshing, trouble };
}

/** A message ready to go. */
export interface Outgoing {
  readonly id: number;
  readonly channel: 'mail' | 'text';
  readonly address: string;
  readonly subject: string;
  readonly body: string;
  /** an iCalendar file that goes with it */
  readonly calendar: string | null;
  /** how often it was tried before */
  readonly tries: number;
}

export type Delivery =
  | { readonly ok: true }
  | {
      readonly ok: false;
      readonly trouble: string;
      /** whether it may go later: it is tried again by itself */
      readonly temporary?: boolean;
    };

/** What a mail or text service has to do for the shop. A real one takes the stand-in's place by this alone. */
export interface MessageGateway {
  readonly name: string;
  /** whether messages really leave the house */
  readonly simulated: boolean;
  send(message: Outgoing): Promise<Delivery>;
}

/** How the stand-in behaves: what it does with messages. */
export interface StandInSettings {
  readonly does: 'deliver' | 'fail' | 'every-third-fails';
}

/** The stand-in that ships: nothing leaves the house, the outbox can be read, and it fails when it is told to. */
export function standInGateway({ does }: StandInSettings): MessageGateway {
  return {
    name: 'simulated',
    simulated: true,
    send: ({ id, channel, address }) => {
      if (address === '')
        return Promise.resolve({
          ok: false,
          trouble: `There is no ${channel === 'mail' ? 'e-mail address' : 'telephone number'}.`,
        });
      const fails = does === 'fail' || (does === 'every-third-fails' && id % 3 === 0);
      return Promise.resolve(
        fails ? { ok: false, trouble: 'The simulated gateway was told to fail.' } : { ok: true },
      );
    },
  };
}

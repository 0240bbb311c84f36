import { parseArgs } from 'node:util';
import { Trouble } from './say.ts';

/** What may stand after a command. */
export interface Options {
  readonly rest: readonly string[];
  readonly port: number;
  /** where tablets reach it over https; the next but one tells them how to trust it */
  readonly lanPort: number;
  readonly empty: boolean;
  readonly fresh: boolean;
  readonly json: boolean;
  readonly yes: boolean;
  readonly only: string;
  /** also what takes long */
  readonly long: boolean;
  /** a copy to be checked */
  readonly check: string | undefined;
  readonly seal: boolean;
  readonly unseal: boolean;
  readonly beside: boolean;
  readonly replace: boolean;
  /** serve the tablets of the shop's network, over https */
  readonly lan: boolean;
  /** for how many tablets a pairing code is good */
  readonly uses: number;
  /** the note a sound should be */
  readonly expect: string | undefined;
  /** the pitch of A4, Hz */
  readonly reference: string | undefined;
  /** how many applications serve the house, on ports one after the other */
  readonly applications: number;
  /** which of this machine's further shops it is about */
  readonly shop: string | undefined;
  /** the name a further shop is reached by */
  readonly host: string | undefined;
  /** what the network calls this machine */
  readonly name: string | undefined;
}

const DEFAULT_PORT = 4370;
const DEFAULT_LAN_PORT = 4443;

function portOf(flag: string, given: string | undefined, usual: number): number {
  const port = given === undefined ? usual : Number(given);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Trouble(`--${flag} takes a number from 1 to 65535, not ${given}`);
  return port;
}

const MOST_TABLETS = 100;
const MOST_APPLICATIONS = 4;

/** How many of something; one where it is not said. */
function countOf(flag: string, given: string | undefined, most: number): number {
  const n = given === undefined ? 1 : Number(given);
  if (!Number.isInteger(n) || n < 1 || n > most)
    throw new Trouble(`--${flag} takes a number from 1 to ${most}, not ${given}`);
  return n;
}

/** Reads what stands after a command; says what it does not know. */
export function options(args: string[]): Options {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      port: { type: 'string' },
      empty: { type: 'boolean', default: false },
      fresh: { type: 'boolean', default: false },
      json: { type: 'boolean', default: false },
      yes: { type: 'boolean', default: false },
      only: { type: 'string', default: '' },
      long: { type: 'boolean', default: false },
      check: { type: 'string' },
      seal: { type: 'boolean', default: false },
      unseal: { type: 'boolean', default: false },
      beside: { type: 'boolean', default: false },
      replace: { type: 'boolean', default: false },
      lan: { type: 'boolean', default: false },
      name: { type: 'string' },
      expect: { type: 'string' },
      reference: { type: 'string' },
      uses: { type: 'string' },
      applications: { type: 'string' },
      shop: { type: 'string' },
      host: { type: 'string' },
      'lan-port': { type: 'string' },
    },
  });
  const port = portOf('port', values.port, DEFAULT_PORT);
  const lanPort = portOf('lan-port', values['lan-port'], DEFAULT_LAN_PORT);
  return {
    ...values,
    check: values.check,
    name: values.name,
    shop: values.shop,
    host: values.host,
    expect: values.expect,
    reference: values.reference,
    rest: positionals,
    port,
    lanPort,
    uses: countOf('uses', values.uses, MOST_TABLETS),
    applications: countOf('applications', values.applications, MOST_APPLICATIONS),
  };
}

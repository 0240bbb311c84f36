import { parseArgs } from 'node:util';
import { Trouble } from './say.ts';

/** What may stand after a command. */
export interface Options {
  readonly rest: readonly string[];
  readonly port: number;
  readonly empty: boolean;
  readonly fresh: boolean;
  readonly json: boolean;
  readonly yes: boolean;
  readonly only: string;
  /** a copy to be checked */
  readonly check: string | undefined;
  readonly seal: boolean;
  readonly unseal: boolean;
  readonly beside: boolean;
  readonly replace: boolean;
}

const DEFAULT_PORT = 4370;

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
      check: { type: 'string' },
      seal: { type: 'boolean', default: false },
      unseal: { type: 'boolean', default: false },
      beside: { type: 'boolean', default: false },
      replace: { type: 'boolean', default: false },
    },
  });
  const port = values.port === undefined ? DEFAULT_PORT : Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Trouble(`--port takes a number from 1 to 65535, not ${values.port}`);
  return { ...values, check: values.check, rest: positionals, port };
}

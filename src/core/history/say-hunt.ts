import { CAUSES, type CauseId } from '../hunt/causes.ts';
import { answerWords, isTryId, TRIES } from '../hunt/tries.ts';

type Plain = Readonly<Record<string, unknown>>;

const text = (v: unknown): string => (typeof v === 'string' ? v : '');
const colon = (v: unknown): string => (text(v) === '' ? '' : `: ${text(v)}`);

/** A try and what it did: `hold each tuner: it stops`. */
function tried(data: Plain): string {
  const what = text(data['what']);
  if (!isTryId(what)) return 'something';
  const name = TRIES[what].name;
  return `${name.charAt(0).toLowerCase()}${name.slice(1)}: ${answerWords(what, text(data['answer']))}`;
}

const found = (cause: unknown): string =>
  typeof cause === 'string' && cause in CAUSES
    ? `found the noise: ${CAUSES[cause as CauseId].name}`
    : 'left the noise unfound';

/** What the log says of a hunt for a noise, as sentences about who did it. */
export const HUNT_SENTENCES: Readonly<Record<string, (data: Plain) => string>> = {
  'hunt begun': ({ limit }) =>
    typeof limit === 'number'
      ? `gave the hunt for the noise ${limit} minutes at most`
      : 'began to hunt the noise',
  'noise tried': (data) =>
    `tried on the noise: ${tried(data)}${data['byEar'] === true ? ', by the ear' : ''}${colon(data['words'])}`,
  'try taken back': (data) => `took a try on the noise back: ${tried(data)}`,
  'hunt ended': ({ cause, words }) => `${found(cause)}${colon(words)}`,
  'hunt opened again': () => 'went on hunting the noise',
};

import { QueryTypes } from 'sequelize';
import { wordsOf } from '../../core/find/words.ts';
import type { Database } from '../db/connection.ts';

const FRESH_MS = 60_000;
const TEXTS_SQL = `SELECT name AS text FROM customers WHERE merged_into IS NULL AND erased_at IS NULL
  UNION ALL SELECT DISTINCT CONCAT_WS(' ', maker, model) FROM instruments WHERE merged_into IS NULL`;

type Known = ReadonlyMap<string, number>;
const KEY = Symbol.for('rubrica.words');
type Holder = { [KEY]?: { readonly db: unknown; readonly at: number; readonly words: Promise<Known> } };

async function readWords({ sequelize }: Database): Promise<Known> {
  const rows = await sequelize.query<{ text: string }>(TEXTS_SQL, { type: QueryTypes.SELECT });
  const words = new Map<string, number>();
  for (const { text } of rows) for (const w of wordsOf(text)) words.set(w, (words.get(w) ?? 0) + 1);
  return words;
}

/** Every word of the names in the book, with how often it stands there; as of a minute ago at most. */
export function knownWords(db: Database): Promise<Known> {
  const holder = globalThis as Holder;
  const known = holder[KEY];
  if (known && known.db === db.sequelize && Date.now() - known.at < FRESH_MS) return known.words;
  const words = readWords(db);
  holder[KEY] = { db: db.sequelize, at: Date.now(), words };
  words.catch(() => Reflect.deleteProperty(holder, KEY));
  return words;
}

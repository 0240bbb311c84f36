import { QueryTypes } from 'sequelize';
import type { Conditions } from '../../core/readings/conditions.ts';
import type { Database } from '../db/connection.ts';

/** What hangs on an instrument: number, whose, what, where, by when, and what is wrong with its strings. */
export interface Tag {
  readonly number: number;
  readonly customer: string;
  readonly maker: string;
  readonly model: string;
  readonly serial: string;
  readonly place: string | null;
  readonly neededBy: string | null;
  readonly stringsState: Conditions['strings'];
}

/** The tag of a job; null when there is no such job. */
export async function loadTag({ sequelize }: Database, number: number): Promise<Tag | null> {
  const [tag] = await sequelize.query<Tag>(
    `SELECT j.number, c.name AS customer, i.maker, i.model, i.serial, p.name AS place,
       CAST(j.needed_by AS CHAR) AS neededBy, j.strings_state AS stringsState
     FROM jobs j JOIN customers c ON c.id = j.customer_id JOIN instruments i ON i.id = j.instrument_id
     LEFT JOIN places p ON p.id = j.place_id WHERE j.number = ?`,
    { type: QueryTypes.SELECT, replacements: [number] },
  );
  return tag ?? null;
}

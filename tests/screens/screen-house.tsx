import { randomUUID } from 'node:crypto';
import axe from 'axe-core';
import type { CommandInput, CommandName } from '../../src/contracts/commands/commands.ts';
import type { Kind } from '../../src/core/instrument/kinds.ts';
import type { Role } from '../../src/core/people/roles.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { execute } from '../../src/server/door/execute.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { demoHouse, staffedHouse } from '../integration/house.ts';
import { serious, WCAG } from '../axe-says.ts';
import { takeIn, type More } from '../taken-in.ts';
import { Hand } from './hand.ts';
import { load, serveFrom, show } from './tablet.tsx';

type House = { readonly db: Database } & Readonly<Record<Role, Actor>>;

/** The demo shop with somebody of each role out of it. */
async function peopledDemo(name: string): Promise<House> {
  const db = await demoHouse(name);
  const device = await db.models.Device.findOne({ rejectOnEmpty: true });
  const of = async (role: Role): Promise<Actor> => {
    const person = await db.models.Person.findOne({ where: { role, active: true }, rejectOnEmpty: true });
    const { id: personId, name: called, initials } = person;
    return { personId, deviceId: device.id, name: called, initials, role };
  };
  const [desk, technician, lead, owner] = await Promise.all([
    of('desk'),
    of('technician'),
    of('lead'),
    of('owner'),
  ]);
  return { db, desk, technician, lead, owner };
}

/** A house for a file of tests, with somebody of each role; its screens are shown one at a time. */
export function screenHouse(name: string, kind: 'empty' | 'demo' = 'empty') {
  let house: House;
  beforeAll(async () => {
    house = await (kind === 'demo' ? peopledDemo(name) : staffedHouse(name));
  });
  afterAll(() => house.db.sequelize.close());
  serveFrom(name);
  const give = async <N extends CommandName>(command: N, input: CommandInput<N>): Promise<never> => {
    const done = await execute(house.db, house.owner, command, input, randomUUID());
    if (!done.ok) throw new Error(`${command}: ${JSON.stringify(done.error)}`);
    return done.value as never;
  };
  return {
    /** does something as the owner would, from elsewhere */
    give,
    db: () => house.db,
    takeIn: (kind: Kind, maker: string, more: More = {}) => takeIn(give, house.db, kind, maker, more),
    /** shows a page to somebody of a role, on a tablet of their own */
    show: async (role: Role, path: string): Promise<Hand> =>
      new Hand(await show(house.db, house[role], path)),
    /** loads the page of the same tablet anew, or another */
    reload: async (role: Role, path: string): Promise<Hand> =>
      new Hand(await load(house.db, house[role].personId, path)),
    /** nothing serious or critical by axe, but for colours, which are not drawn here */
    accessible: async (): Promise<void> => {
      const { violations } = await axe.run(document.body, {
        runOnly: { type: 'tag', values: WCAG },
        rules: { 'color-contrast': { enabled: false }, 'target-size': { enabled: false } },
        resultTypes: ['violations'],
        iframes: false,
        preload: false,
        elementRef: false,
      });
      expect(serious(violations)).toEqual([]);
    },
  };
}

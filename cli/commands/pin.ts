import { pinProblem } from '../../src/core/people/pin.ts';
import { hashPin } from '../../src/server/people/pin.ts';
import { askLine } from '../base/ask.ts';
import { openHouse } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { say, Trouble } from '../base/say.ts';

/**
 * Gives somebody another PIN at the machine itself, for an owner who forgot theirs: whoever stands here could read the record
 * anyway. Their sessions and locks end.
 */
export async function run(o: Options): Promise<number> {
  const house = await openHouse('leave');
  try {
    const { models, sequelize } = house.db;
    const people = await models.Person.findAll({ where: { active: true }, order: [['name', 'ASC']] });
    const [name] = o.rest;
    const person = people.find((p) => p.name.toLowerCase() === name?.toLowerCase());
    if (!person)
      throw new Trouble(
        `./rubrica pin "NAME", one of: ${people.map((p) => `${p.name} (${p.role})`).join(', ')}; the PIN is read from standard input`,
      );
    const pin = await askLine('The new PIN: ');
    const problem = pinProblem(pin);
    if (problem !== null) throw new Trouble(problem);
    const pinHash = await hashPin(pin);
    const now = new Date();
    await sequelize.transaction(async (transaction) => {
      await person.update({ pinHash, version: person.version + 1 }, { transaction });
      await models.Session.update(
        { endedAt: now },
        { where: { personId: person.id, endedAt: null }, transaction },
      );
      await models.PinTroubleRow.destroy({ where: { personId: person.id }, transaction });
      await models.EventRow.create(
        {
          at: now,
          personId: null,
          deviceId: null,
          jobId: null,
          kind: 'PIN set',
          entity: 'person',
          entityId: String(person.id),
          fromVersion: person.version - 1,
          data: { at: 'the machine' },
        },
        { transaction },
      );
    });
    say(`${person.name} has the new PIN; open sessions are ended`);
    return 0;
  } finally {
    await house.close();
  }
}

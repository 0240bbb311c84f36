import { staffProblem } from '../../core/people/staff.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { EventKind } from '../../contracts/commands/commands.ts';
import { invalidField, refuse, type Failure } from '../../contracts/failure.ts';
import type { Person } from '../db/models/people.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { hashPin, pinMatches } from './pin.ts';
import { beginTry, forgetTries } from './pin-tries.ts';

const everybody = ({ models, t }: Work): Promise<Person[]> =>
  models.Person.findAll({ transaction: t, lock: t.LOCK.UPDATE, order: [['id', 'ASC']] });

const event = (
  work: Work,
  kind: EventKind,
  id: number,
  fromVersion: number | null,
  data: object,
): Promise<void> =>
  recordEvent(work, { jobId: null, kind, entity: 'person', entityId: id, fromVersion, data });

/** Ends somebody's sessions, but for one tablet's where that is said. */
async function endSessions(
  { models, t, now }: Work,
  personId: number,
  but: number | null = null,
): Promise<number> {
  const open = await models.Session.findAll({ where: { personId, endedAt: null }, transaction: t });
  const ended = open.filter((s) => s.deviceId !== but);
  for (const s of ended) await s.update({ endedAt: now }, { transaction: t });
  return ended.length;
}

const nobody: Result<never, Failure> = fail({ code: 'not-found', message: 'There is nobody like that.' });

/** Adds somebody, or changes their name, letters, role or skill. */
export const savePerson = defineUseCase({
  name: 'people.save',
  run: async (work, { id, version, name, initials, role, skill, hours, pin }) => {
    const { models, t, actor } = work;
    const all = await everybody(work);
    const known = all.find((p) => p.id === id) ?? null;
    if (id !== null && known === null) return nobody;
    if (known && known.version !== version) return conflict(work, null, known.name, known.version);
    if (all.some((p) => p.id !== id && p.active && p.name.toLowerCase() === name.toLowerCase()))
      return fail(invalidField('name', 'Somebody here is called so: add what tells them apart.'));
    const problem = staffProblem(actor, all, known, { role, active: known?.active ?? true });
    if (problem !== null) return fail(invalidField('role', problem));
    const facts = {
      name,
      initials,
      role,
      skill,
      hours: hours === undefined ? (known?.hours ?? null) : hours,
    };
    if (known) {
      const { name: was, initials: letters, role: had, skill: could, hours: worked } = known;
      const before = { name: was, initials: letters, role: had, skill: could, hours: worked };
      await known.update({ ...facts, version: version + 1 }, { transaction: t });
      await event(work, 'person changed', known.id, version, { before, after: facts });
      return ok({ id: known.id, version: version + 1 });
    }
    if (pin === null) return fail(invalidField('pin', 'Somebody new wants a PIN.'));
    const made = await models.Person.create({ ...facts, pinHash: await hashPin(pin) }, { transaction: t });
    await event(work, 'person added', made.id, null, facts);
    return ok({ id: made.id, version: 0 });
  },
});

/** Gives somebody another PIN. Locks by wrong tries end, sessions too. */
export const setPin = defineUseCase({
  name: 'people.set-pin',
  run: async (work, { id, pin }) => {
    const { models, t, actor } = work;
    const all = await everybody(work);
    const known = all.find((p) => p.id === id);
    if (!known) return nobody;
    const problem = staffProblem(actor, all, known, { role: known.role, active: known.active });
    if (problem !== null) return fail(refuse('Only an owner gives an owner a PIN.'));
    await known.update({ pinHash: await hashPin(pin), version: known.version + 1 }, { transaction: t });
    await models.PinTroubleRow.destroy({ where: { personId: id }, transaction: t });
    await endSessions(work, id, id === actor.personId ? actor.deviceId : null);
    await event(work, 'PIN set', id, known.version, {});
    return ok({ id });
  },
});

/**
 * What is wrong with the PIN somebody says is theirs; null where it is. A wrong one counts on this tablet as at signing in,
 * also though nothing else of the command is kept: a colleague’s open session is no way to guess theirs.
 */
async function wrongTry(
  db: Pick<Work, 'models' | 'actor' | 'now'>,
  pin: string,
  hash: string,
): Promise<string | null> {
  const { models, actor, now } = db;
  const tried = { personId: actor.personId, deviceId: actor.deviceId };
  // Apart from the command's own transaction: what is refused is counted all the same.
  const sequelize = models.PinTroubleRow.sequelize;
  if (!sequelize) throw new Error('the model is bound to no connection');
  const begun = await sequelize.transaction((own) => beginTry(models, tried, now, own));
  if ('locked' in begun) return begun.locked;
  if (await pinMatches(pin, hash)) {
    await forgetTries(models, tried, null);
    return null;
  }
  return begun.ifWrong === '' ? 'That is not the PIN you have now.' : begun.ifWrong;
}

/** Changes one's own PIN, by the one before. */
export const setOwnPin = defineUseCase({
  name: 'people.own-pin',
  run: async (work, { now, pin }) => {
    const { models, t, actor } = work;
    const me = await models.Person.findByPk(actor.personId, { transaction: t });
    if (!me) return nobody;
    const wrong = await wrongTry(work, now, me.pinHash);
    if (wrong !== null) return fail(invalidField('now', wrong));
    await me.update({ pinHash: await hashPin(pin), version: me.version + 1 }, { transaction: t });
    await endSessions(work, me.id, actor.deviceId);
    await event(work, 'own PIN changed', me.id, me.version, {});
    return ok({ id: me.id });
  },
});

/** Somebody leaves, or comes back. What they hold stays named; signing in ends at once. */
export const leaveShop = defineUseCase({
  name: 'people.leave',
  run: async (work, { id, version, left }) => {
    const { t, actor } = work;
    const all = await everybody(work);
    const known = all.find((p) => p.id === id);
    if (!known) return nobody;
    if (known.version !== version) return conflict(work, null, known.name, known.version);
    const problem = staffProblem(actor, all, known, { role: known.role, active: !left });
    if (problem !== null) return fail(refuse(problem));
    if (left && id === actor.personId)
      return fail(refuse('Somebody else lets you go: you would stand outside.'));
    if (
      !left &&
      all.some((p) => p.id !== id && p.active && p.name.toLowerCase() === known.name.toLowerCase())
    )
      return fail(refuse('Somebody here has that name by now: rename one of them first.'));
    await known.update({ active: !left, version: version + 1 }, { transaction: t });
    if (left) await endSessions(work, id);
    await event(work, left ? 'person left' : 'person came back', id, version, {});
    return ok({ version: version + 1 });
  },
});

/** Ends one's own sessions on every other tablet. */
export const signOutEverywhere = defineUseCase({
  name: 'people.sign-out',
  run: async (work) => {
    const ended = await endSessions(work, work.actor.personId, work.actor.deviceId);
    await event(work, 'signed out everywhere', work.actor.personId, null, { ended });
    return ok({ ended });
  },
});

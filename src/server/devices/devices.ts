import { fail, ok, type Result } from '../../core/result.ts';
import type { EventKind } from '../../contracts/commands/commands.ts';
import { refuse, type Failure } from '../../contracts/failure.ts';
import { pairingCodeOfCommand, tokenHash } from '../people/tokens.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

/** A pairing code is good for so long. */
const CODE_HOURS = 12;

const noSuch: Result<never, Failure> = fail({ code: 'not-found', message: 'There is no such tablet.' });

const event = (work: Work, kind: EventKind, entityId: number, data: object): Promise<void> =>
  recordEvent(work, { jobId: null, kind, entity: 'device', entityId, fromVersion: null, data });

/** Makes a code for so many tablets. It is worked out from the command, so that nothing of it need be kept for a lost answer. */
export const makeCode = defineUseCase({
  name: 'devices.code',
  secret: {
    kept: ({ expiresAt }) => ({ expiresAt }),
    whole: (kept, commandId, place) => ({
      ...(kept as { readonly expiresAt: string }),
      code: pairingCodeOfCommand(commandId, place),
    }),
  },
  run: async (work, { uses }) => {
    const { models, t, now, commandId } = work;
    const code = pairingCodeOfCommand(commandId);
    const expiresAt = new Date(now.getTime() + CODE_HOURS * 3_600_000);
    const made = await models.PairingCode.create(
      { codeHash: tokenHash(code), expiresAt, usesLeft: uses },
      { transaction: t },
    );
    await event(work, 'pairing code made', made.id, { uses });
    return ok({ code, expiresAt: expiresAt.toISOString() });
  },
});

/** Gives a tablet another name. */
export const renameDevice = defineUseCase({
  name: 'devices.rename',
  run: async (work, { id, name }) => {
    const { models, t } = work;
    const known = await models.Device.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    if (!known || known.revokedAt !== null) return noSuch;
    const before = known.name;
    await known.update({ name }, { transaction: t });
    await event(work, 'device renamed', id, { before, after: name });
    return ok({ id });
  },
});

/** Sends a tablet away: its sessions end, and its token opens nothing any more. */
export const revokeDevice = defineUseCase({
  name: 'devices.revoke',
  run: async (work, { id }) => {
    const { models, t, now, actor } = work;
    if (id === actor.deviceId)
      return fail(refuse('This is the tablet in your hand: send it away from another one.'));
    const known = await models.Device.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    if (!known || known.revokedAt !== null) return noSuch;
    await known.update({ revokedAt: now }, { transaction: t });
    await models.Session.update({ endedAt: now }, { where: { deviceId: id, endedAt: null }, transaction: t });
    await event(work, 'device sent away', id, { name: known.name });
    return ok({ id });
  },
});

import { invalidField } from '../../contracts/failure.ts';
import { KIND_NAMES, KINDS } from '../../core/instrument/kinds.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

const idFrom = (name: string): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 36);

/** Keeps a kind of the shop's own: a name, the shipped kind whose rules it goes by, and what is usual for it. */
export const saveKind = defineUseCase({
  name: 'house.save-kind',
  run: async (work, { id, name, construction, version }) => {
    const { models, t } = work;
    const all = await models.KindRow.findAll({ transaction: t, lock: t.LOCK.UPDATE });
    const taken = [...KINDS.map((k) => KIND_NAMES[k]), ...all.filter((k) => k.id !== id).map((k) => k.name)];
    if (taken.some((n) => n.toLowerCase() === name.toLowerCase())) {
      return fail(invalidField('name', 'There is a kind of this name.'));
    }
    const known = all.find((k) => k.id === id);
    if (id !== '' && !known) return fail({ code: 'not-found', message: 'There is no such kind.' });
    if (known && known.version !== version) return conflict(work, null, known.name, known.version);
    const kindId = known?.id ?? `own-${idFrom(name)}`.slice(0, 40);
    if (!known && all.some((k) => k.id === kindId))
      return fail(invalidField('name', 'There is a kind of this name.'));
    if (known) await known.update({ name, construction, version: version + 1 }, { transaction: t });
    else await models.KindRow.create({ id: kindId, name, construction }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'kind saved',
      entity: 'kind',
      entityId: kindId,
      fromVersion: known ? version : null,
      data: { name, construction },
    });
    return ok({ id: kindId });
  },
});

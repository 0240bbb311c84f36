import { invalidField, refuse } from '../../contracts/failure.ts';
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

/** An id no kind has: of the name's Latin letters where it has any, with a number where that is taken. */
function freeId(name: string, all: readonly { readonly id: string }[]): string {
  const letters = idFrom(name);
  const first = letters === '' ? 'own-kind' : `own-${letters}`;
  for (let n = 1; ; n++) {
    const id = n === 1 ? first : `${first.slice(0, 36)}-${n}`;
    if (!all.some((k) => k.id === id)) return id;
  }
}

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
    const kindId = known?.id ?? freeId(name, all);
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

/** Offers a kind of the shop's own no longer, or again; instruments that are of it stay what they are. */
export const retireKind = defineUseCase({
  name: 'house.retire-kind',
  run: async (work, { id, version, retired }) => {
    const { models, t } = work;
    const kind = await models.KindRow.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    if (!kind) return fail({ code: 'not-found', message: 'There is no such kind.' });
    if (kind.version !== version) return conflict(work, null, kind.name, kind.version);
    await kind.update({ retired, version: version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'kind retired',
      entity: 'kind',
      entityId: id,
      fromVersion: version,
      data: { name: kind.name, retired },
    });
    return ok({ version: version + 1 });
  },
});

/** Deletes a kind of the shop's own that no instrument is of. */
export const deleteKind = defineUseCase({
  name: 'house.delete-kind',
  run: async (work, { id, version }) => {
    const { models, t } = work;
    const kind = await models.KindRow.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    if (!kind) return fail({ code: 'not-found', message: 'There is no such kind.' });
    if (kind.version !== version) return conflict(work, null, kind.name, kind.version);
    const used = await models.Instrument.count({ where: { kind: id }, transaction: t });
    if (used > 0)
      return fail(
        refuse(
          `${used} ${used === 1 ? 'instrument is' : 'instruments are'} of this kind: retire it instead.`,
        ),
      );
    await kind.destroy({ transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'kind deleted',
      entity: 'kind',
      entityId: id,
      fromVersion: version,
      data: { name: kind.name, construction: kind.construction },
    });
    return ok({ id });
  },
});

import { invalidField } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { saveSetting } from './save-setting.ts';

interface Wanted {
  readonly id: number | null;
  readonly name: string;
  readonly kind: 'rack' | 'bench';
}

/** Takes places out where nothing hangs; jobs that are over no longer name them. */
async function takeOut({ models, t }: Work, ids: readonly number[]): Promise<string | null> {
  for (const id of ids) {
    const here = await models.Job.findOne({ where: { placeId: id, state: 'open' }, transaction: t });
    const place = await models.Place.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    if (here) return `${here.number} hangs at ${place?.name ?? 'it'}: hang it elsewhere first.`;
    await models.Job.update({ placeId: null }, { where: { placeId: id }, transaction: t });
    await place?.destroy({ transaction: t });
  }
  return null;
}

/** Keeps the shop's places in their order. Names are unique at every moment: those that change stand aside first. */
async function putIn({ models, t }: Work, wanted: readonly Wanted[]): Promise<void> {
  for (const p of wanted)
    if (p.id !== null)
      await models.Place.update({ name: `\u0000${p.id}` }, { where: { id: p.id }, transaction: t });
  for (const [sort, { id, name, kind }] of wanted.entries())
    if (id === null) await models.Place.create({ name, kind, sort }, { transaction: t });
    else await models.Place.update({ name, kind, sort }, { where: { id }, transaction: t });
}

/** Keeps the places of the shop: named, put in order, added, taken out where nothing hangs. */
export const savePlaces = defineUseCase({
  name: 'house.save-places',
  run: async (work, { version, places }) => {
    const { models, t } = work;
    const known = await models.Place.findAll({ transaction: t, lock: t.LOCK.UPDATE });
    const kept = new Set(places.flatMap((p) => (p.id === null ? [] : [p.id])));
    const unknown = [...kept].find((id) => !known.some((k) => k.id === id));
    if (unknown !== undefined) return fail(invalidField('places', 'One of them is not there any more.'));
    const saved = await saveSetting(work, {
      name: 'places',
      what: 'the places',
      value: places.map(({ name, kind }) => ({ name, kind })),
      version,
    });
    if (!saved.ok) return saved;
    const taken = await takeOut(
      work,
      known.filter((k) => !kept.has(k.id)).map((k) => k.id),
    );
    if (taken !== null) return fail(invalidField('places', taken));
    await putIn(work, places);
    return ok({ version: saved.value.version });
  },
});

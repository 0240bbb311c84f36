import { SHIPPED_CARE, type ShopCare } from '../../src/core/care/care.ts';
import { SURFACES } from '../../src/core/care/surfaces.ts';
import { loadJobCare } from '../../src/server/care/load-job-care.ts';
import { openEstimate } from '../../src/server/customer/estimate.ts';
import { loadCare } from '../../src/server/house/save-care.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('care');
});
afterAll(() => house.db.sequelize.close());

const saved = (care: ShopCare, version: number, who = house.owner) =>
  house.give(who, 'house.save-care', {
    version,
    care: { ...care, verdicts: [...care.verdicts] },
    note: 'as we do',
  });

test('the shop’s own word is kept as a version, by whom may, with its reason, never over a colleague’s', async () => {
  const own: ShopCare = {
    ...SHIPPED_CARE,
    verdicts: [{ surface: 'poly', means: 'naphtha', verdict: 'never', why: 'Not in this house.' }],
  };
  expect(await saved(own, 0, house.technician)).toMatchObject({ error: { code: 'not-allowed' } });
  expect(
    await saved({ ...own, verdicts: [{ surface: 'poly', means: 'wax', verdict: 'never', why: '' }] }, 0),
  ).toMatchObject({ error: { code: 'invalid' } });
  expect(await saved({ ...own, verdicts: [...own.verdicts, ...own.verdicts] }, 0)).toMatchObject({
    error: { code: 'invalid' },
  });
  expect(await saved(own, 0)).toEqual({ ok: true, value: { version: 1 } });
  expect(await saved(own, 0)).toMatchObject({ error: { code: 'conflict' } });
  expect(await saved({ ...own, policy: 'full' }, 1)).toEqual({ ok: true, value: { version: 2 } });
  expect(await loadCare(house.db)).toMatchObject({
    version: 2,
    care: { policy: 'full' },
    versions: [{ version: 2 }, { version: 1, care: { policy: 'wipe' }, note: 'as we do' }],
  });
});

test('it stands at the step that cleans, for this very instrument, and on the estimate and the sheet the customer reads', async () => {
  const { jobWith, db, view, order, technician, desk } = house;
  const { number, jobId } = await jobWith(['clean-body', 'board-clean']);
  const { lines, sheet, cleaning } = await view(number);
  expect(lines.map((l) => [l.operation, l.cared])).toEqual(
    expect.arrayContaining([
      ['clean-body', true],
      ['board-clean', true],
    ]),
  );
  expect(lines.find((l) => l.operation === 'clean-body')?.wear).toContain('gloves');
  const care = await loadJobCare(db, number);
  const finish = care?.parts.find((p) => p.part === 'Body and neck')?.surface ?? 'unknown';
  expect(care?.operations['clean-body']?.[0]).toMatchObject({ surface: finish, task: 'clean' });
  expect(care?.operations['board-clean']?.map((p) => p.task)).toEqual(['clean', 'moisten']);
  expect(await loadJobCare(db, 999_999)).toBeNull();
  expect(cleaning).toContain('Cleaning body, board and frets');
  const made = await order(desk, 'work.link', { jobId, purpose: 'estimate' });
  expect((await openEstimate(db, made.token, new Date()))?.cleaning).toBe(cleaning);
  expect(sheet.content.advice).toContain(SURFACES[finish].home);

  // The shop's own words for its players; empty says nothing.
  const { version } = await loadCare(db);
  await order(house.owner, 'house.save-care', {
    version,
    note: '',
    care: { policy: 'none', verdicts: [], home: { [finish]: 'Ask us first.', 'board-raw': '' } },
  });
  const later = await view(number);
  expect(later.sheet.content.advice).toContain('Ask us first.');
  expect(later.sheet.content.advice).not.toContain(SURFACES['board-raw'].home);
  expect(technician.role).toBe('technician');
});

/** A quick hand and screens that are loaded in between: nobody meets a conflict with themselves. */
import fc from 'fast-check';
import { nextVersion, standing, type Sent } from './answer-versions.ts';

const sent = (version: number | null): Sent => ({ answer: 'watch', note: '', finding: null, version });

test.each([
  ['nothing was sent', undefined, 4, 4],
  ['on its way', null, 4, 4],
  ['acknowledged, the screen shows less', 6, 4, 6],
  ['acknowledged, the screen shows it', 6, 6, 6],
  ['acknowledged, and a colleague answered since', 6, 9, 9],
] as const)('%s', (_, version, shown, next) => {
  expect(nextVersion(shown, version === undefined ? undefined : sent(version))).toBe(next);
});

test('what was sent stands until the screen shows it or something newer', () => {
  const shown = { version: 5, answer: 'fine' };
  expect(standing(sent(null), shown)).toMatchObject({ answer: 'watch' });
  expect(standing(sent(6), shown)).toMatchObject({ answer: 'watch' });
  expect(standing(sent(5), shown)).toBe(shown);
  expect(standing(undefined, shown)).toBe(shown);
});

test('one hand alone never meets a conflict, whenever its screen is loaded', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ load: fc.boolean(), behind: fc.nat(3) }), { maxLength: 30 }),
      (steps) => {
        let house = 0;
        let shown = 0;
        let last: Sent | undefined;
        for (const { load, behind } of steps) {
          // A load that began earlier shows an earlier state, never one before what it showed already.
          if (load) shown = Math.max(shown, house - behind);
          expect(nextVersion(shown, last)).toBe(house);
          house++;
          last = sent(house);
        }
      },
    ),
  );
});

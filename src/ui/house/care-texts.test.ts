import { expect, test } from 'vitest';
import { SHIPPED_CARE, type ShopCare } from '../../core/care/care.ts';
import { careTexts, homeField, readCareTexts, verdictField, whyField } from './care-texts.ts';

const OWN: ShopCare = {
  policy: 'full',
  verdicts: [
    { surface: 'poly', means: 'naphtha', verdict: 'never', why: 'Not in this house.' },
    { surface: 'shellac', means: 'soap', verdict: 'usual', why: '' },
  ],
  home: { poly: 'Ask us first.', oil: '' },
};

test('what is kept is read back as it was', () => {
  expect(readCareTexts(careTexts(SHIPPED_CARE))).toEqual({ care: SHIPPED_CARE, wrong: {} });
  expect(readCareTexts(careTexts(OWN))).toEqual({ care: OWN, wrong: {} });
});

test('what only repeats the trade’s word is the trade’s; another word says why', () => {
  const typed = {
    policy: 'none',
    [verdictField('poly', 'polish')]: 'usual',
    [verdictField('lacquer', 'naphtha')]: 'never',
    [homeField('lacquer')]: ' A dry cloth. ',
  };
  expect(readCareTexts(typed)).toMatchObject({
    care: { policy: 'none', home: { lacquer: 'A dry cloth.' }, verdicts: [{ means: 'naphtha' }] },
    wrong: { [whyField('lacquer', 'naphtha')]: expect.any(String) as string },
  });
  // Taken back: as it is usual in the trade.
  expect(readCareTexts({ ...typed, [verdictField('lacquer', 'naphtha')]: '' }).care.verdicts).toEqual([]);
});

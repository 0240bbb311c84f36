import { PAUSES, pauseAfter } from './pauses.ts';
import {
  fillTemplate,
  MESSAGE_PURPOSES,
  PLACEHOLDERS,
  SHIPPED_TEMPLATES,
  unknownPlaceholders,
  type Placeholder,
} from './templates.ts';

test('what ships has no hole once everything is known, and names only what there is', () => {
  const all = Object.fromEntries(Object.keys(PLACEHOLDERS).map((k) => [k, `<${k}>`])) as Record<
    Placeholder,
    string
  >;
  for (const purpose of MESSAGE_PURPOSES) {
    const { subject, body } = SHIPPED_TEMPLATES[purpose];
    for (const text of [subject, body]) {
      expect(unknownPlaceholders(text)).toEqual([]);
      expect(fillTemplate(text, all)).not.toMatch(/[{}]/);
    }
    expect(body).toContain('{link}');
  }
});

test('a name that means nothing is named, and what is not known stays', () => {
  expect(unknownPlaceholders('Dear {customre}, {shop} {}')).toEqual(['customre', '']);
  expect(fillTemplate('{customer}: {link}', { customer: 'Petra {link}' })).toBe('Petra {link}: {link}');
});

test('pauses grow; what cannot go later is not tried again', () => {
  expect(PAUSES.every((p, i) => i === 0 || p > (PAUSES[i - 1] ?? 0))).toBe(true);
  expect([pauseAfter(1, true), pauseAfter(1, false), pauseAfter(PAUSES.length + 1, true)]).toEqual([
    PAUSES[0],
    null,
    null,
  ]);
});

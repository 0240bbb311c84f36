import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { isPlainText, notPlain } from './plain-text.ts';

describe('plain text', () => {
  test.each(['', 'Maple & bone', 'two\nlines', 'a\ttab', '“ü” 日本', '🎸', '۱۲'])(
    '%j can be kept',
    (text) => {
      expect(isPlainText(text)).toBe(true);
    },
  );

  test.each([
    '\u0000',
    'bell\u0007',
    'escape\u001b[2J',
    '\u0085',
    '\ud83c',
    '\udfb8',
    '\udfb8\ud83c',
    '\uffff',
  ])('%j cannot', (text) => {
    expect(isPlainText(text)).toBe(false);
  });

  test('whatever is not well formed is not plain', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.integer({ min: 0xd800, max: 0xdbff }), (text, half) => {
        expect(isPlainText(`${text.replace(/^[\udc00-\udfff]/, '')}${String.fromCharCode(half)}`)).toBe(
          false,
        );
      }),
    );
  });

  test('its place is told', () => {
    expect(notPlain({ a: [{ b: 'fine' }, { b: 'x\u0000' }] })).toBe('a.1.b');
    expect(notPlain({ a: { 'k\u0001': 1 } })).toBe('a');
    expect(notPlain({ a: 1, b: null, c: ['x'] })).toBeNull();
  });

  test('what lies in itself for ever is refused before the stack ends', () => {
    let deep: unknown = 'x';
    for (let i = 0; i < 5000; i++) deep = [deep];
    expect(notPlain(deep)).not.toBeNull();
  });
});

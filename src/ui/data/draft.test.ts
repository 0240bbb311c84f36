import { commandIdFor, dropDraft, readDraft, saveDraft } from './draft.ts';

const kept = new Map<string, string>();
let broken = false;

beforeAll(() => {
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => {
      if (broken) throw new Error('the store is full');
      kept.set(k, v);
    },
    removeItem: (k: string) => kept.delete(k),
  });
});
afterAll(() => {
  vi.unstubAllGlobals();
});
beforeEach(() => {
  kept.clear();
  broken = false;
});

describe('drafts', () => {
  test('what is kept comes back, and is forgotten when it is dropped', () => {
    saveDraft('note', { text: 'high at 9' });
    expect(readDraft('note')).toEqual({ text: 'high at 9' });
    dropDraft('note');
    expect(readDraft('note')).toBeNull();
  });

  test('a store that is full or spoilt stops nobody from typing', () => {
    broken = true;
    expect(() => saveDraft('note', 'x')).not.toThrow();
    expect(readDraft('note')).toBeNull();
    kept.set('rubrica:note', '{half');
    expect(readDraft('note')).toBeNull();
  });
});

describe('commandIdFor', () => {
  test('the same input is the same command, after a reload too', () => {
    const id = commandIdFor('take-in', { name: 'Runa' });
    expect(commandIdFor('take-in', { name: 'Runa' })).toBe(id);
    expect(id).toMatch(/^[0-9a-f-]{36}$/);
  });

  test('a change of the input is another command, and so is another form', () => {
    const id = commandIdFor('take-in', { name: 'Runa' });
    expect(commandIdFor('take-in', { name: 'Runa E.' })).not.toBe(id);
    expect(commandIdFor('elsewhere', { name: 'Runa E.' })).not.toBe(
      commandIdFor('take-in', { name: 'Runa E.' }),
    );
  });

  test('once it is dropped the same words begin a new command', () => {
    const id = commandIdFor('take-in', { name: 'Runa' });
    dropDraft('take-in');
    expect(commandIdFor('take-in', { name: 'Runa' })).not.toBe(id);
  });
});

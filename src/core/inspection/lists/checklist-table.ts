import { OPERATION_IDS, type OperationId } from '../../catalogue/operation-ids.ts';
import { kindsThat } from '../../instrument/kinds.ts';
import { QUANTITIES, type Quantity } from '../../readings/quantities.ts';
import type { Checklist, ChecklistItem } from '../checklist.ts';
import type { Condition } from '../condition.ts';

/** The conditions the shipped lists use, by the name they have in the tables. */
const NAMED: Readonly<Record<string, Condition>> = {
  '': { all: [] },
  acoustic: { fact: 'kind', is: kindsThat((k) => k.soundboard) },
  hollow: { fact: 'kind', isNot: kindsThat((k) => !k.hollow) },
  magnetic: { fact: 'kind', is: kindsThat((k) => k.magnetic) },
  'steel-strung': { fact: 'kind', isNot: kindsThat((k) => k.softStrung) },
  strapped: { fact: 'kind', isNot: kindsThat((k) => !k.strapped) },
  twelve: { fact: 'kind', is: kindsThat((k) => k.usual.perCourse === 2) },
  rod: { fact: 'rod', isNot: ['none'] },
  glued: { fact: 'joint', is: ['glued'] },
  bolted: { fact: 'joint', is: ['bolted', 'bolted-shims', 'tilt-screw'] },
  pinned: { fact: 'bridge', is: ['pinned'] },
  'tie-block': { fact: 'bridge', is: ['tie-block'] },
  individual: { fact: 'bridge', is: ['individual'] },
  thumbwheel: { fact: 'bridge', is: ['thumbwheel'] },
  'floating-bridge': { fact: 'bridge', is: ['floating'] },
  'one-saddle': { fact: 'bridge', is: ['pinned', 'tie-block', 'individual-fixed'] },
  'behind-saddle': { fact: 'bridge', isNot: ['tie-block'] },
  vibrato: { fact: 'vibrato', isNot: ['none'] },
  'floating-vibrato': { fact: 'vibrato', is: ['floating'] },
  wired: { fact: 'electronics', isNot: ['none'] },
  battery: { fact: 'electronics', is: ['active', 'under-saddle'] },
  'under-saddle': { fact: 'electronics', is: ['under-saddle'] },
  'raw-board': { fact: 'fingerboard', is: ['raw'] },
  'lacquered-board': { fact: 'fingerboard', is: ['lacquered'] },
};

/** A list as it is written: groups begin with `# name, phase`, items are lines of columns. */
export interface ListTable {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly ends: readonly string[];
  readonly table: string;
}

const among = <T extends string>(all: readonly T[], word: string, line: string): T => {
  const found = all.find((w) => w === word);
  if (found === undefined) throw new RangeError(`“${word}” in “${line}” is not known`);
  return found;
};

function itemFrom(line: string, group: string, phase: ChecklistItem['phase']): ChecklistItem {
  const [key = '', title = '', help = '', when = '', reading = '', leadsTo = '', fine = '', caution = ''] =
    line.split('|').map((c) => c.trim());
  const condition = NAMED[when];
  if (key === '' || title === '' || help === '' || condition === undefined) {
    throw new RangeError(`“${line}” is not an item`);
  }
  return {
    key,
    group,
    phase,
    title,
    help,
    when: condition,
    ...(reading !== '' && { reading: among<Quantity>(QUANTITIES, reading, line) }),
    ...(leadsTo !== '' && { leadsTo: among<OperationId>(OPERATION_IDS, leadsTo, line) }),
    ...(fine !== '' && { fine }),
    ...(caution !== '' && { caution }),
  };
}

/** Reads a shipped list from its table. @throws RangeError for a line that is no item, or a word it does not know */
export function checklistFrom({ id, name, version, ends, table }: ListTable): Checklist {
  const items: ChecklistItem[] = [];
  let [group, phase]: [string, ChecklistItem['phase']] = ['', 'strings-on'];
  for (const line of table.split('\n').filter((l) => l.trim() !== '')) {
    const head = /^# (.+), (strings-on|strings-off)$/.exec(line);
    if (head) [group, phase] = [head[1] ?? '', head[2] as ChecklistItem['phase']];
    else items.push(itemFrom(line, group, phase));
  }
  return { id, name, version, ends, items };
}

import { OPERATION_IDS, type OperationId } from '../../catalogue/operation-ids.ts';
import { HAVING } from '../../instrument/having.ts';
import { QUANTITIES, type Quantity } from '../../readings/quantities.ts';
import type { Checklist, ChecklistItem } from '../checklist.ts';
import type { Condition } from '../../instrument/condition.ts';

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

/** The condition a table names; none is always. */
const conditionOf = (when: string): Condition | undefined =>
  when === '' ? HAVING.always : Object.hasOwn(HAVING, when) ? HAVING[when as keyof typeof HAVING] : undefined;

function itemFrom(line: string, group: string, phase: ChecklistItem['phase']): ChecklistItem {
  const [key = '', title = '', help = '', when = '', reading = '', leadsTo = '', fine = '', caution = ''] =
    line.split('|').map((c) => c.trim());
  const condition = conditionOf(when);
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

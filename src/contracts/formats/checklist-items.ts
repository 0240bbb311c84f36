import type { Checklist, ChecklistItem } from '../../core/inspection/checklist.ts';
import type { ChecklistsFile } from './checklists.ts';

type FileItem = ChecklistsFile[number]['items'][number];

/** Items as the format writes them. */
export const toFileItems = (items: readonly ChecklistItem[]): FileItem[] =>
  items.map((i) => ({
    id: i.key,
    text: i.title,
    group: i.group,
    phase: i.phase,
    when: i.when,
    reading: i.reading ?? null,
    help: i.help,
    fine: i.fine ?? '',
    caution: i.caution ?? '',
    leadsTo: i.leadsTo ?? null,
  }));

/** Items as the core knows them: what is empty in the file is not there. */
export const fromFileItems = (items: readonly FileItem[]): ChecklistItem[] =>
  items.map(({ id, text, reading, fine, caution, leadsTo, ...same }) => ({
    key: id,
    title: text,
    ...same,
    ...(reading !== null && { reading }),
    ...(fine !== '' && { fine }),
    ...(caution !== '' && { caution }),
    ...(leadsTo !== null && { leadsTo }),
  }));

/** Checklists in their format. */
export const toChecklistsFile = (lists: readonly Checklist[]): ChecklistsFile =>
  lists.map((l) => ({
    id: l.id,
    name: l.name,
    version: l.version,
    ends: [...l.ends],
    items: toFileItems(l.items),
  }));

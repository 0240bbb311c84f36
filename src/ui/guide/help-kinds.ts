/** A key, and what it does on a page. */
export interface KeyHelp {
  readonly keys: string;
  readonly does: string;
}

/** What a page is for, its keys, and the part of the guide that tells more. */
export interface PageHelp {
  readonly name: string;
  readonly purpose: string;
  readonly keys: readonly KeyHelp[];
  /** the id of a section of the guide */
  readonly guide: string;
}

/** Where a help belongs. */
export interface Rule extends PageHelp {
  readonly at: RegExp;
}

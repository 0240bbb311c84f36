/** What an address says in the places that its pattern names. */
export interface At<N extends string> {
  readonly params: Readonly<Record<N, string>>;
}

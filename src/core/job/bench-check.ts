/** What is checked at the bench before the customer is called. */
export const BENCH_CHECKS = [
  { key: 'played', title: 'Every fret of every string played, in playing position' },
  { key: 'bends', title: 'Bends ring out; open strings clear' },
  { key: 'controls', title: 'Controls, tuners and screws: nothing loose' },
  { key: 'clean', title: 'Marks and glue wiped, strings trimmed' },
  { key: 'case', title: 'Parts, keys and papers back in the case' },
] as const;

/** A PIN is typed with one hand between two jobs: four digits at least, twelve at most. */
const SHAPE = /^\d{4,12}$/;

/** Whether the digits go up or down by one throughout. */
function isRun(digits: readonly number[]): boolean {
  const steps = digits.slice(1).map((d, i) => d - (digits[i] ?? 0));
  return steps.every((s) => s === 1) || steps.every((s) => s === -1);
}

/** Whether a part of it is said over and over: 1111, 1212, 123123. */
const isRepeated = (pin: string): boolean =>
  [1, 2, 3, 4, 5, 6].some(
    (n) => n < pin.length && pin.length % n === 0 && pin.slice(0, n).repeat(pin.length / n) === pin,
  );

/**
 * What is wrong with a PIN, in words; null where nothing is.
 * @example pinProblem('1234') → 'One that counts up or down is guessed first.'
 */
export function pinProblem(pin: string): string | null {
  if (!SHAPE.test(pin)) return 'Four to twelve digits.';
  if (isRun([...pin].map(Number))) return 'One that counts up or down is guessed first.';
  if (isRepeated(pin)) return 'One that repeats itself is guessed first.';
  return null;
}

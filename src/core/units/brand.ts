declare const unit: unique symbol;
type Branded<U extends string> = number & { readonly [unit]: U };

/** A length in millimetres. Made only by {@link mm} or by parsing. */
export type Mm = Branded<'mm'>;
/** A pitch error in cents, sharp positive. */
export type Cents = Branded<'cents'>;

const finite = (n: number, what: string): number => {
  if (!Number.isFinite(n)) throw new RangeError(`${what} must be a finite number, not ${n}`);
  return n;
};

/** Brands a number of millimetres; throws RangeError when it is not finite. */
export const mm = (n: number): Mm => finite(n, 'a length') as Mm;
/** Brands a number of cents; throws RangeError when it is not finite. */
export const cents = (n: number): Cents => finite(n, 'a pitch error') as Cents;

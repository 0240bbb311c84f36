declare const unit: unique symbol;

/** A number in a unit: a bare number may stand for any, one in another unit for none. */
type In<U extends string> = number & { readonly [unit]?: U };

/** A length, mm. */
export type Mm = In<'mm'>;
/** A difference of pitch, cents. */
export type Cents = In<'cents'>;
/** A pitch, Hz. */
export type Hz = In<'Hz'>;
/** A force, N. */
export type Newton = In<'N'>;

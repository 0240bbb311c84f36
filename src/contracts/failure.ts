/** Why a use case did not do what was asked: data for the screen, never an exception. */
export type Failure =
  | { readonly code: 'invalid'; readonly message: string; readonly fields: Readonly<Record<string, string>> }
  | { readonly code: 'conflict'; readonly message: string; readonly theirs: Theirs }
  | {
      readonly code: 'not-found' | 'not-allowed' | 'signed-out' | 'closed' | 'refused';
      readonly message: string;
    };

/** What a colleague saved meanwhile: who, what it says, and the version to save over it. */
export interface Theirs {
  readonly by: string;
  readonly says: string;
  readonly version: number;
}

/** A refusal in plain words. */
export const refuse = (message: string): Failure => ({ code: 'refused', message });

/** Something wrong at one field. */
export const invalidField = (field: string, message: string): Failure => ({
  code: 'invalid',
  message,
  fields: { [field]: message },
});

import { tokenOfCommand } from './tokens.ts';

/** A link's answer without what opens it; the same command says it again. */
export const withoutToken = {
  kept: <A extends { readonly token: string }>({ token: _t, ...rest }: A) => rest,
  whole: <A extends { readonly token: string }>(kept: unknown, commandId: string, place: number): A =>
    ({ ...(kept as object), token: tokenOfCommand(commandId, place) }) as A,
};

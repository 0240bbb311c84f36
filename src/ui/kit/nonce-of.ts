/** The page's nonce, for the style elements the charts put in. */
export const nonceOf = (): string => document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? '';

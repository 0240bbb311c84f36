/** Who asks: the cookies of the tablet whose screen is shown. */
export const asking = {
  base: 'http://127.0.0.1:4300',
  cookies: new Map<string, string>(),
  headers: (): Headers => new Headers({ host: '127.0.0.1:4300', origin: 'http://127.0.0.1:4300' }),
};

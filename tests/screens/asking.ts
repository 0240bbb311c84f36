/** Who asks: the cookies of the tablet whose screen is shown. */
export const asking = {
  base: 'http://127.0.0.1:4300',
  cookies: new Map<string, string>(),
  headers: (): Headers =>
    new Headers({
      host: '127.0.0.1:4300',
      origin: 'http://127.0.0.1:4300',
      ...(asking.cookies.size > 0 && {
        cookie: [...asking.cookies].map(([name, value]) => `${name}=${value}`).join('; '),
      }),
    }),
};

const underWay = new Set<Promise<unknown>>();

/** Something that asks the house: it is waited for before the house is closed. */
export function asked<T>(what: Promise<T>): Promise<T> {
  const done = what
    .catch(() => undefined)
    .finally(() => {
      underWay.delete(done);
    });
  underWay.add(done);
  return what;
}

/** Waits until nothing asks any more. */
export async function allAnswered(): Promise<void> {
  while (underWay.size > 0) await Promise.all(underWay);
}

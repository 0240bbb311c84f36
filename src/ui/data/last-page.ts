const KEY = 'rubrica:page';
const FIRST = '/rack';

/** Only a path of our own may be returned to. */
export const isOwnPath = (path: string): boolean => /^\/(?![/\\])[\w\-/]*$/.test(path);

/** Keeps the page this tablet shows, to come back to after the next PIN. */
export function rememberPage(path: string): void {
  try {
    if (isOwnPath(path)) sessionStorage.setItem(KEY, path);
  } catch {
    // a browser that keeps nothing comes back to the rack
  }
}

/** The page shown before the PIN was asked, or the rack. */
export function lastPage(): string {
  try {
    const path = sessionStorage.getItem(KEY) ?? FIRST;
    return isOwnPath(path) ? path : FIRST;
  } catch {
    return FIRST;
  }
}

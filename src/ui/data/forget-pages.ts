/** What was shown here is nobody else's: it goes when somebody signs out or in. */
export const forgetPages = async (): Promise<void> => {
  // The name of KEPT_PAGES; a test holds them together.
  if ('caches' in window) await caches.delete('pages');
};

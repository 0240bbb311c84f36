/** A moment as a screen is sent it; null where there is none. */
export const iso = (d: Date | null | undefined): string | null => d?.toISOString() ?? null;

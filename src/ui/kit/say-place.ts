/** A place's name, with the job that hangs there already. */
export const sayPlace = (
  place: { readonly name: string; readonly holds: number | null },
  own: number | null = null,
): string =>
  place.holds === null || place.holds === own ? place.name : `${place.name} (${place.holds} is there)`;

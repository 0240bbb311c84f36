/** Height of the side view, and where its fret plane lies, px. */
export const SIDE = 178;
export const PLANE = 118;

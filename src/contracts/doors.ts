import { z } from 'zod';

/** How the shop keeps its doors, as it crosses a boundary. */
export const doorsSchema = z.object({
  /** a tablet that nobody touched for so long asks for a PIN again; null: at the end of the working day alone */
  idleMinutes: z.number().int().min(5, 'At least five').max(840, 'At most 840').nullable().default(120),
});
export type Doors = z.infer<typeof doorsSchema>;

/** What a person does in the shop. */
export const ROLES = ['desk', 'technician', 'lead', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** What a use case needs its person to be allowed. */
export const PERMISSIONS = [
  'see',
  'take-in',
  'inspect',
  'measure',
  'plan',
  'approve',
  'work',
  'hand-over',
  'house',
] as const;
export type Permission = (typeof PERMISSIONS)[number];

const GRANTED: Readonly<Record<Role, readonly Permission[]>> = {
  desk: ['see', 'take-in', 'approve', 'hand-over'],
  technician: ['see', 'take-in', 'inspect', 'measure', 'plan', 'work', 'hand-over'],
  lead: ['see', 'take-in', 'inspect', 'measure', 'plan', 'approve', 'work', 'hand-over', 'house'],
  owner: PERMISSIONS,
};

/** Whether a role may do something. `may('desk', 'measure')` is false. */
export const may = (role: Role, permission: Permission): boolean => GRANTED[role].includes(permission);

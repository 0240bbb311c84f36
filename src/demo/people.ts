import type { Skill } from '../core/catalogue/operation-record.ts';
import type { Role } from '../core/people/roles.ts';

export interface DemoPerson {
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
  readonly skill: Skill;
  readonly pin: string;
}

/** The people of the invented shop, Quillmere Fretworks. Their PINs are for the demo only. */
export const DEMO_PEOPLE: readonly DemoPerson[] = [
  { name: 'Ilse Marrow', initials: 'IM', role: 'lead', skill: 'senior', pin: '2468' },
  { name: 'Tomas Vey', initials: 'TV', role: 'technician', skill: 'senior', pin: '1357' },
  { name: 'Nadia Brook', initials: 'NB', role: 'technician', skill: 'setup', pin: '8642' },
  { name: 'Per Lindqvar', initials: 'PL', role: 'desk', skill: 'bench', pin: '9753' },
  { name: 'Odile Farrant', initials: 'OF', role: 'owner', skill: 'senior', pin: '480216' },
];

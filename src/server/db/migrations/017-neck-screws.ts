import { QueryTypes, type Sequelize } from 'sequelize';
import { OPERATIONS } from '../../../core/catalogue/operations.ts';

interface Newest {
  readonly version: number;
  readonly saved_by: number;
  readonly operations: string | readonly { readonly id: string }[];
}

/** What this release offers new: a shop that keeps a catalogue of its own cannot have taken it out. */
const NEW: ReadonlySet<string> = new Set(['neck-tighten', 'neck-hole']);

/** Brings a shop with a catalogue of its own the operations for the neck’s screws, as its next version. */
export async function up(sequelize: Sequelize): Promise<void> {
  const [newest] = await sequelize.query<Newest>(
    'SELECT version, saved_by, operations FROM operation_versions ORDER BY version DESC LIMIT 1',
    { type: QueryTypes.SELECT },
  );
  if (!newest) return;
  const kept =
    typeof newest.operations === 'string'
      ? (JSON.parse(newest.operations) as readonly { readonly id: string }[])
      : newest.operations;
  const added = OPERATIONS.filter((o) => NEW.has(o.id) && !kept.some((k) => k.id === o.id));
  if (added.length === 0) return;
  await sequelize.query(
    `INSERT INTO operation_versions (version, operations, note, saved_by, saved_at)
     VALUES (:version, :operations, 'New in this release: the neck’s screws', :by, :at)`,
    {
      replacements: {
        version: newest.version + 1,
        operations: JSON.stringify([...kept, ...added]),
        by: newest.saved_by,
        at: new Date(),
      },
    },
  );
}

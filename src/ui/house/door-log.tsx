import type { DoorLog as Entries } from '../../server/people/doors.ts';
import { sayMoment } from '../kit/dates.ts';

const SAYS: Readonly<Record<string, string>> = {
  'signed in': 'signed in',
  'signed out': 'signed out',
  'wrong PIN': 'wrong PIN',
  'tablet paired': 'tablet paired',
  'pairing code made': 'made a pairing code',
  'device sent away': 'sent a tablet away',
  'PIN set': 'gave somebody another PIN',
  'own PIN changed': 'changed their own PIN',
  'signed out everywhere': 'signed out on every other tablet',
  'secret changed': 'the house’s secret was changed',
  'log taken out': 'took out the log',
  'customer’s file taken out': 'took out what is kept of a customer',
  'customers taken out': 'took out the book of customers',
  'instruments taken out': 'took out the book of instruments',
  'job taken out': 'took out a whole job',
  'job brought in': 'brought a job in from a file',
};

/** Who came, who could not, and what was taken out, newest first. */
export function DoorLog({ entries }: { readonly entries: Entries }) {
  return (
    <section aria-label="At the door" className="space-y-2">
      <h2 className="text-xl">At the door, of late</h2>
      {/* A region that scrolls is reached by keys. */}
      <div className="max-h-96 overflow-y-auto" tabIndex={0} role="region" aria-label="At the door, of late">
        <table className="w-full text-left text-sm">
          <thead>
            <tr className="border-b-2 border-plain">
              <th scope="col">When</th>
              <th scope="col">Who</th>
              <th scope="col">What</th>
              <th scope="col">Where</th>
            </tr>
          </thead>
          <tbody>
            {entries.map((e) => (
              <tr key={e.id} className="border-b border-line align-top">
                <td className="py-1 pr-3 whitespace-nowrap">{sayMoment(e.at)}</td>
                <td className="py-1 pr-3">{e.person}</td>
                <td className={`py-1 pr-3 ${e.kind === 'wrong PIN' ? 'text-rubric' : ''}`}>
                  {e.kind === 'wrong PIN' && '◆ '}
                  {SAYS[e.kind] ?? e.kind}
                </td>
                <td className="py-1 text-quiet">{e.device}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Whose word a fact is. */
export type Word = 'said' | 'usual' | 'nobody';

/** What somebody said or saw stands in ink; what is only usual for the kind in print, and says so. */
export function FactRow({ name, value, word = 'said' }: { name: string; value: string; word?: Word }) {
  return (
    <div className="flex justify-between gap-4 border-b border-line py-1">
      <dt className="text-quiet">{name}</dt>
      <dd className={`text-right ${word === 'said' ? 'text-ink' : 'text-plain'}`}>
        {word === 'usual' && <span className="text-quiet">usually </span>}
        {value}
      </dd>
    </div>
  );
}

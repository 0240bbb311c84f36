import type { CustomerSheet } from '../../core/hand-over/customer-sheet.ts';
import { sayReading } from '../../core/hand-over/customer-sheet.ts';
import { sheetDrawing } from '../../core/hand-over/sheet-drawing.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import { sayDate } from '../kit/dates.ts';
import { formatMoney } from '../../core/money/currency.ts';
import { sayBill } from '../../core/money/say-bill.ts';
import { TrueSize } from '../kit/true-size.tsx';

function List({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <section>
      <h2 className="text-xl">{title}</h2>
      <ul className="list-disc pl-6">
        {lines.map((l, i) => (
          <li key={i}>{l}</li>
        ))}
      </ul>
    </section>
  );
}

function Readings({ sheet }: { readonly sheet: CustomerSheet }) {
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2">Every reading, before and after</summary>
      <table className="w-full text-left text-sm">
        <thead>
          <tr className="border-b border-plain">
            <th scope="col">Reading</th>
            <th scope="col">Before</th>
            <th scope="col">Now</th>
          </tr>
        </thead>
        <tbody>
          {sheet.readings.map((r) => (
            <tr key={r.label} className="border-b border-line">
              <th scope="row" className="font-normal">
                {r.label}
              </th>
              <td>{sayReading(r.before, r.quantity)}</td>
              <td>{sayReading(r.after, r.quantity)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

function Price({ sheet }: { readonly sheet: CustomerSheet }) {
  const { price } = sheet;
  const money = (amount: number) => formatMoney(amount, sheet.currency);
  return (
    <section>
      <h2 className="text-xl">Price</h2>
      <p>
        {sayBill(price, price.reason, sheet.currency)}. <b>To pay: {money(price.toPay)}</b>
        {price.toPay !== price.estimate && `, estimated before it was open: ${money(price.estimate)}`}.
      </p>
    </section>
  );
}

/** Whose sheet it is, of which instrument and job. */
function Head({ sheet, level }: { readonly sheet: CustomerSheet; readonly level: 1 | 2 }) {
  const Title = level === 1 ? 'h1' : 'h2';
  return (
    <header className="border-b-2 border-plain pb-2">
      <p className="text-quiet">{sheet.shop}</p>
      <Title className="text-2xl">
        {sheet.instrument} <span className="text-quiet">job {sheet.job}</span>
      </Title>
      <p className="text-quiet">
        {sheet.customer} · serial {sheet.serial || 'none'} · taken in {sayDate(sheet.takenIn)}
      </p>
    </header>
  );
}

function Lines({
  lines,
  currency,
}: {
  readonly lines: CustomerSheet['done'];
  readonly currency: CustomerSheet['currency'];
}) {
  return (
    <ul>
      {lines.map((d, i) => (
        <li key={i} className="flex justify-between gap-4 border-b border-line py-1">
          <span>
            {d.title}
            {d.detail && <span className="text-quiet">: {d.detail}</span>}
          </span>
          <span className="shrink-0">{formatMoney(d.price, currency)}</span>
        </li>
      ))}
    </ul>
  );
}

/** What was done, and what is agreed and still to be done, with its price. */
function Done({ sheet: { done, todo = [], currency } }: { readonly sheet: CustomerSheet }) {
  return (
    <>
      <section>
        <h2 className="text-xl">What was done</h2>
        {done.length === 0 && <p>{todo.length > 0 ? 'Nothing yet.' : 'Nothing was done.'}</p>}
        <Lines lines={done} currency={currency} />
      </section>
      {todo.length > 0 && (
        <section>
          <h2 className="text-xl">Agreed, and still to be done</h2>
          <Lines lines={todo} currency={currency} />
        </section>
      )}
    </>
  );
}

/** The customer's sheet: their words, what was found, done, left and why, before and after, accidents, price, advice. */
export function SheetView({
  sheet,
  construction,
  photos,
  level = 1,
}: {
  readonly sheet: CustomerSheet;
  /** of its title: 1 where the sheet is the page, 2 where it stands on a leaf */
  readonly level?: 1 | 2;
  readonly construction: Pick<Construction, 'scale' | 'frets' | 'bodyFret'>;
  readonly photos: readonly string[];
}) {
  const drawing = sheetDrawing({ ...construction, readings: sheet.readings });
  return (
    <article aria-label="The customer’s sheet" className="space-y-4 font-serif">
      <Head sheet={sheet} level={level} />
      <section>
        <h2 className="text-xl">In your words</h2>
        <p className="text-ink">
          <q>{sheet.complaint}</q> {sheet.wish && <span>Your wish: {sheet.wish}</span>}
        </p>
      </section>
      <List title="What we found" lines={sheet.found} />
      {sheet.end && <p className="border-l-4 border-l-plain pl-3 text-lg">{sheet.end}</p>}
      <Done sheet={sheet} />
      <List title="Left as it is" lines={sheet.left} />
      <List title="Not looked at" lines={sheet.notLookedAt ?? []} />
      <section>
        <h2 className="text-xl">Before and after</h2>
        {sheet.change.map((c) => (
          <p key={c}>{c}</p>
        ))}
        {sheet.change.length === 0 && <p>Nothing that can be told by the readings.</p>}
        {drawing && <TrueSize drawing={drawing} />}
        <Readings sheet={sheet} />
      </section>
      <List
        title="What went wrong, and what we did about it"
        lines={sheet.accidents.map((a) => `${a.happened} ${a.remedy}`)}
      />
      {photos.length > 0 && (
        <section className="flex flex-wrap gap-2" aria-label="Photos">
          {photos.map((src, i) => (
            <img key={src} src={src} alt={`Photo ${i + 1}`} className="h-24 border border-line" />
          ))}
        </section>
      )}
      <List title="What goes home with it" lines={sheet.things} />
      {sheet.exception && (
        <section>
          <h2 className="text-xl">Out of the ordinary, and why</h2>
          <p>{sheet.exception}</p>
        </section>
      )}
      <Price sheet={sheet} />
      <List title="Advice" lines={sheet.advice} />
      {sheet.nextCheck && <p>We look at it again, without charge, on {sayDate(sheet.nextCheck)}.</p>}
    </article>
  );
}

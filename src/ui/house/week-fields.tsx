import {
  NO_HOURS,
  readSpans,
  saySpans,
  WEEK,
  type WeekHours,
  type Weekday,
} from '../../core/days/opening.ts';
import { TextField } from '../kit/text-field.tsx';

/** The hours of a week as they are typed, a text a day. */
export type WeekTexts = Readonly<Record<Weekday, string>>;

/** Hours as they would be typed; nothing where nobody has said. */
export const weekTexts = (hours: WeekHours | null): WeekTexts =>
  Object.fromEntries(WEEK.map((d) => [d, saySpans((hours ?? NO_HOURS)[d])])) as WeekTexts;

/** What is typed as it is kept, null where nothing is; or what is wrong, by day. */
export function readWeek(texts: WeekTexts): {
  readonly hours: WeekHours | null;
  readonly wrong: Partial<Record<Weekday, string>>;
} {
  const wrong: Partial<Record<Weekday, string>> = {};
  const hours = Object.fromEntries(
    WEEK.map((d) => {
      const read = readSpans(texts[d]);
      if (!read.ok) wrong[d] = read.error;
      return [d, read.ok ? read.value : []];
    }),
  ) as unknown as WeekHours;
  return { hours: WEEK.every((d) => texts[d].trim() === '') ? null : hours, wrong };
}

const name = (d: Weekday): string => `${d[0]?.toUpperCase() ?? ''}${d.slice(1)}`;

/** A field a day. */
export function WeekFields({
  texts,
  wrong,
  may,
  onChange,
}: {
  readonly texts: WeekTexts;
  readonly wrong: Partial<Record<Weekday, string>>;
  readonly may: boolean;
  readonly onChange: (day: Weekday, text: string) => void;
}) {
  return (
    <div className="grid gap-2 sm:grid-cols-2">
      {WEEK.map((d) => (
        <TextField
          key={d}
          label={name(d)}
          error={wrong[d]}
          maxLength={60}
          placeholder="closed"
          readOnly={!may}
          value={texts[d]}
          onChange={(text) => onChange(d, text)}
        />
      ))}
    </div>
  );
}

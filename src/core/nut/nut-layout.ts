import { fail, ok, type Result } from '../result.ts';
import type { Mm } from '../units/unit-types.ts';

/** Strings standing close together: how many, and the distance of neighbouring centres inside, mm. */
export interface Courses {
  readonly size: number;
  readonly spread: Mm;
}

export interface NutLayout {
  /** centre of each string from the nut's bass-side string edge, mm */
  readonly centres: readonly Mm[];
  /** clear distance between neighbours, mm */
  readonly gaps: readonly Mm[];
}

export interface LayoutError {
  readonly field: 'gauges' | 'width' | 'courses';
  readonly message: string;
}

/** Half a course's width to either side of its middle, and its strings from that middle. */
interface Course {
  readonly before: number;
  readonly after: number;
  readonly strings: readonly number[];
}

function toCourses(gauges: readonly number[], { size, spread }: Courses): Course[] {
  const half = ((size - 1) * spread) / 2;
  return Array.from({ length: gauges.length / size }, (_, c) => ({
    before: half + (gauges[c * size] ?? 0) / 2,
    after: half + (gauges[c * size + size - 1] ?? 0) / 2,
    strings: Array.from({ length: size }, (_, i) => i * spread - half),
  }));
}

function middles(width: Mm, courses: readonly Course[], by: 'centres' | 'gaps'): number[] {
  const n = courses.length;
  const first = courses[0]?.before ?? 0;
  const last = courses.at(-1)?.after ?? 0;
  if (n === 1) return [(first + width - last) / 2];
  if (by === 'centres') {
    return courses.map((_, i) => first + ((width - first - last) * i) / (n - 1));
  }
  const gap = (width - courses.reduce((s, c) => s + c.before + c.after, 0)) / (n - 1);
  let at = 0;
  return courses.map((c) => {
    const middle = at + c.before;
    at = middle + c.after + gap;
    return middle;
  });
}

/**
 * Where the slots of a nut stand: equal centres (outer strings touching the edges of `width`) or equal clear gaps;
 * courses count as one with their own spread inside.
 * @param width outer edge to outer edge of the outer strings, mm
 * @param gauges bass to treble, mm
 * @example by gaps, 36 mm, six strings of 1 mm → gaps of 6 mm
 */
export function nutLayout(
  width: Mm,
  gauges: readonly Mm[],
  by: 'centres' | 'gaps',
  courses: Courses = { size: 1, spread: 0 },
): Result<NutLayout, LayoutError> {
  if (gauges.length % courses.size !== 0) {
    return fail({
      field: 'courses',
      message: `${gauges.length} strings do not make courses of ${courses.size}`,
    });
  }
  const made = toCourses(gauges, courses);
  const at = middles(width, made, by);
  const centres = made.flatMap((c, i) => c.strings.map((s) => (at[i] ?? 0) + s));
  const gaps = centres
    .slice(1)
    .map((c, i) => c - (centres[i] ?? 0) - ((gauges[i] ?? 0) + (gauges[i + 1] ?? 0)) / 2);
  const overlap = gaps.findIndex((g) => g < 0);
  if (overlap >= 0) {
    const inside = courses.size > 1 && (overlap + 1) % courses.size !== 0;
    return fail({
      field: inside ? 'courses' : 'width',
      message: `strings ${overlap + 1} and ${overlap + 2} from the bass would overlap`,
    });
  }
  return ok({ centres, gaps });
}

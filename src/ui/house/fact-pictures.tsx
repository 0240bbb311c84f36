'use client';

import type { CameOut } from '../../core/learn/came-out.ts';
import type { FactGroup, FactKind } from '../../core/learn/facts.ts';
import { sayAmountOf, sayCameOut } from '../../core/learn/say-came-out.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import type { FactSections } from '../../server/learn/load-learned.ts';
import { useDisplayUnit } from '../data/display-unit.ts';

/** What stands at the two ends of each sort's scale. */
const ENDS: Readonly<Record<FactKind, readonly [string, string]>> = {
  cut: ['less', 'more'],
  turn: ['lower', 'higher'],
  plan: ['lower', 'higher'],
  minutes: ['shorter', 'longer'],
};

/** How far a scale must reach to show a group's middle and nine of ten of its cases. */
const reach = ({ bias, spread }: CameOut): number => Math.abs(bias) + 1.645 * (spread ?? 0);

/** The bar of nine in ten about the middle, on a scale with what was said in the midst. */
function Bar({ out, most }: { readonly out: CameOut; readonly most: number }) {
  const at = (v: number): number => 50 + (50 * Math.max(-most, Math.min(most, v))) / most;
  const wide = 1.645 * (out.spread ?? 0);
  const [from, to] = [at(out.bias - wide), at(out.bias + wide)];
  return (
    <span aria-hidden className="relative block h-7 border-x border-line bg-card">
      <span className="absolute inset-y-0 left-1/2 border-l-2 border-ink" />
      <span
        className="absolute top-2 bottom-2 bg-plain/25"
        style={{ left: `${from}%`, width: `${to - from}%` }}
      />
      <span
        className={`absolute top-1 bottom-1 w-2 -translate-x-1/2 ${out.sure ? 'bg-plain' : 'border-2 border-plain bg-card'}`}
        style={{ left: `${at(out.bias)}%` }}
      />
    </span>
  );
}

function Row({
  what,
  group,
  out,
  label,
  most,
  unit,
  inner = false,
}: {
  readonly what: FactKind;
  readonly group: FactGroup;
  readonly out: CameOut;
  readonly label: string;
  readonly most: number;
  readonly unit: LengthUnit;
  readonly inner?: boolean;
}) {
  return (
    <div
      className={`grid grid-cols-[14rem_1fr_22rem] items-center gap-x-4 max-lg:grid-cols-1 ${inner ? 'text-sm text-quiet' : ''}`}
    >
      <span className={inner ? 'pl-4' : 'font-semibold'}>{label}</span>
      <Bar out={out} most={most} />
      <span className="py-1 text-sm">{sayCameOut(what, group, out, unit)}</span>
    </div>
  );
}

/** One group on a scale of its own sort, its kinds of instrument folded under it. */
function Group({
  what,
  group,
  most,
  unit,
}: {
  readonly what: FactKind;
  readonly group: FactGroup;
  readonly most: number;
  readonly unit: LengthUnit;
}) {
  return (
    <li className="border-b border-line py-1">
      <Row what={what} group={group} out={group.out} label={group.label} most={most} unit={unit} />
      {group.kinds.length > 0 && (
        <details>
          <summary className="min-h-8 cursor-pointer pl-4 text-sm text-quiet">
            by kind of instrument, {group.kinds.length}
          </summary>
          {group.kinds.map((k) => (
            <Row
              key={k.label}
              what={what}
              group={group}
              out={k.out}
              label={k.label}
              most={most}
              unit={unit}
              inner
            />
          ))}
        </details>
      )}
    </li>
  );
}

const MOST_SHOWN = 12;

/** The groups of one sort that share a unit, on one scale. */
function Scale({
  what,
  groups,
  unit,
}: {
  readonly what: FactKind;
  readonly groups: readonly FactGroup[];
  readonly unit: LengthUnit;
}) {
  const most = Math.max(...groups.map((g) => reach(g.out)), 1e-6) * 1.05;
  const of = groups[0]?.unit ?? 'share';
  const [shown, rest] = [groups.slice(0, MOST_SHOWN), groups.slice(MOST_SHOWN)];
  const row = (g: FactGroup) => <Group key={g.label} what={what} group={g} most={most} unit={unit} />;
  return (
    <>
      <p
        aria-hidden
        className="grid grid-cols-[14rem_1fr_22rem] gap-x-4 text-sm text-quiet max-lg:grid-cols-1"
      >
        <span />
        <span className="flex justify-between">
          <span>
            ← {sayAmountOf(of, most, unit)} {ENDS[what][0]}
          </span>
          <span>as said</span>
          <span>
            {sayAmountOf(of, most, unit)} {ENDS[what][1]} →
          </span>
        </span>
      </p>
      <ul>{shown.map(row)}</ul>
      {rest.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2">{rest.length} more</summary>
          <ul>{rest.map(row)}</ul>
        </details>
      )}
    </>
  );
}

const UNITS = ['share', 'mm', 'cents'] as const;

/** How what was said came out, sort by sort: the block is the middle, the bar where nine of ten lie, the line what was said. */
export function FactPictures({
  id,
  title,
  note,
  sections,
}: {
  readonly id: string;
  readonly title: string;
  readonly note?: string;
  readonly sections: FactSections;
}) {
  const unit = useDisplayUnit()[0] === 'mm' ? 'mm' : 'thou';
  const some = sections.filter((s) => s.groups.length > 0);
  return (
    <section aria-labelledby={`came-${id}`} className="space-y-3">
      <h2 id={`came-${id}`} className="text-2xl">
        {title}
      </h2>
      {note && <p className="text-sm text-quiet">{note}</p>}
      {some.length === 0 ? (
        <p className="text-quiet">
          Nothing yet. Turns and cuts logged at their step, clocks, and readings as left beside a chosen plan
          make this.
        </p>
      ) : (
        <p className="text-sm text-quiet">
          The line is what was said, the block the middle of what came (hollow: too few to be sure), the bar
          where nine of ten lie.
        </p>
      )}
      {some.map((s) => (
        <div key={s.what}>
          <h3 className="text-lg">{s.title}</h3>
          {UNITS.map((u) => {
            const groups = s.groups.filter((g) => g.unit === u);
            return groups.length > 0 && <Scale key={u} what={s.what} groups={groups} unit={unit} />;
          })}
        </div>
      ))}
    </section>
  );
}

'use client';

import { useEffect, useId, useMemo, useState } from 'react';
import type { RoundKind } from '../../core/readings/rounds.ts';
import { stationKey, type SheetPart } from '../../core/readings/stations.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { alongString } from '../../core/instrument/scales.ts';
import { fromNut, lineOf, sheetGeometry, stretchOf } from './geometry.ts';
import { PlanView, ROW, type Playing } from './plan-view.tsx';
import { fieldState, ReadingField } from './reading-field.tsx';
import {
  HEAD,
  headsHeight,
  placeCells,
  placeHeads,
  sideHeight,
  spotOf,
  stationsOfPart,
  type Placed,
} from './sheet-layout.ts';
import { roundActionFret, sheetLines, type LineChoice } from './sheet-lines.ts';
import type { StationView } from '../../core/job/views/sheet-stations.ts';
import { FretNames, RowNames } from './sheet-names.tsx';
import { SideView } from './side-view.tsx';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { sayBand } from '../../core/targets/say-values.ts';
import { useWidth } from '../kit/use-width.ts';
import { answerByKey } from './sheet-says.tsx';
import type { ReadingsState } from './use-readings.ts';

const USUAL_WIDTH = 1150;
const LEAST_WIDTH = 720;
const USUAL_SADDLE = 3;

interface Props {
  readonly job: LeafJob;
  readonly round: RoundKind;
  readonly part: SheetPart;
  readonly lines: ReadonlySet<LineChoice>;
  /** how many times heights are enlarged; null as the sheet finds best */
  readonly chosen: number | null;
  readonly displayUnit: DisplayUnit;
  readonly editable: boolean;
  readonly state: ReadingsState;
  /** where a string is played that is listened to */
  readonly playing: Playing | null;
  readonly onFocus: (station: StationView) => void;
  readonly onScale: (enlarged: number) => void;
}

const CAPTIONS: Readonly<Record<SheetPart, readonly [string, string]>> = {
  setup: ['gap over 1, held at 3', 'cents at 12'],
  neck: ['along both edges: under the straightedge', 'action, each string'],
  nut: ['gap over 1', ''],
  saddle: ['leaves the saddle at, mm', 'cents at 12'],
  frets: ['how high each fret stands, mm', ''],
  body: ['', ''],
};

/** The neck sheet: the drawing, and every field at the place where its reading is taken. */
export function NeckSheet(props: Props) {
  const { job, round, part, displayUnit, editable, state, onFocus, onScale } = props;
  const c = job.instrument.construction;
  const clip = useId();
  const { ref, width } = useWidth(USUAL_WIDTH, LEAST_WIDTH);
  const [drawn, setDrawn] = useState(c.strings.length);
  const stations = useMemo(
    () => stationsOfPart(part, state.stations, roundActionFret(job, round)),
    [part, state.stations, job, round],
  );
  const lines = useMemo(() => sheetLines(job, round, drawn, props.lines), [job, round, drawn, props.lines]);
  const band = job.readings.stations.find((s) => s.key === stationKey('action', drawn, 12))?.target ?? null;
  const tallest = Math.max(
    4,
    ...lines.map((l) => lineOf(c, l.measured)?.saddle ?? 0),
    band ? band.high * 2 : 0,
  );
  const side = sideHeight(headsHeight(part, stations, width));
  const g = sheetGeometry(c, width, tallest, stretchOf(c, part), props.chosen, side);
  useEffect(() => onScale(g.enlarged), [g.enlarged, onScale]);
  const here = useMemo(
    () => new Map(job.readings.readings.filter((r) => r.round === round).map((r) => [r.key, r])),
    [job, round],
  );
  const stateOf = (s: StationView) =>
    fieldState(s, here.get(s.key), state.kept[s.key], state.drafts[s.key], displayUnit, job.readings.habits);
  const next = (from: StationView, back: boolean) => {
    const to = stations[stations.findIndex((s) => s.key === from.key) + (back ? -1 : 1)];
    if (to) document.getElementById(`station-${to.key}`)?.focus();
    else (document.activeElement as HTMLElement | null)?.blur();
  };
  const bent = [...lines].reverse().find((l) => l.measured.relief !== null)?.measured ?? {
    relief: 0,
    action: null,
    nutGap: null,
  };
  const { heads, height: headHeight } = placeHeads(part, stations, c, g);
  const planTop = headHeight + side + 18;
  const rows = part === 'frets' ? 4 : part === 'body' ? 0 : c.strings.length / c.perCourse;
  const cells = placeCells(part, stations, c, g, planTop);
  const height = planTop + rows * ROW + 8;
  const thickness = here.get('saddle-thickness:0:0')?.standard ?? USUAL_SADDLE;
  const isRed = (key: string) => stations.some((s) => s.key === key && stateOf(s).red);
  const onField = (s: StationView) => {
    if (s.quantity === 'action' || s.quantity === 'nut-gap')
      setDrawn(s.string === 0 ? drawn : s.string >= c.strings.length / 2 ? c.strings.length : 1);
    onFocus(s);
  };
  const field = (s: StationView, className: string, bare = false) => (
    <ReadingField
      station={s}
      state={bare ? withoutUnit(stateOf(s)) : stateOf(s)}
      editable={editable}
      className={className}
      describedBy="sheet-says"
      onType={(text) => state.type(s.key, text)}
      onCommit={(by) => state.commit(s, false, by)}
      onSame={() => state.sameAgain(s)}
      onAnswer={(key) => answerByKey(state, s, key)}
      onNext={(back) => next(s, back)}
      onFocus={() => onField(s)}
      onCells={(found) => state.fill(stations.slice(stations.indexOf(s)), found)}
    />
  );
  const contacts = new Map(
    [...here.values()].filter((r) => r.quantity === 'contact').map((r) => [r.string, r.standard]),
  );
  const [leftCaption, rightCaption] = CAPTIONS[part];
  return (
    <div ref={ref} className="overflow-x-auto">
      <div className="relative" style={{ width: g.width, height }}>
        <svg
          width={g.width}
          height={height}
          className="absolute inset-0"
          role="img"
          aria-label={`Neck of ${job.instrument.name}, ${job.readings.rounds.find((r) => r.kind === round)?.name ?? round}, heights enlarged ${g.enlarged} times. Every reading drawn stands in the fields.`}
        >
          <defs>
            <pattern
              id="target-hatch"
              width="7"
              height="7"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(-45)"
            >
              <line x1="0" x2="7" y1="0" y2="0" stroke="var(--quiet)" strokeOpacity="0.5" />
            </pattern>
            <clipPath id={clip}>
              <rect
                x={g.left - (part === 'saddle' ? -24 : 50)}
                y="0"
                width={g.width - g.left - g.right + 22}
                height={height}
              />
            </clipPath>
          </defs>
          <g clipPath={part === 'nut' || part === 'saddle' ? `url(#${clip})` : undefined}>
            <SideView
              construction={alongString(c, c.strings.length - drawn)}
              geometry={fromNut(g, c, c.strings.length - drawn)}
              top={headHeight}
              height={side - 18}
              lines={lines}
              band={band}
              bend={bent}
              saddleThickness={thickness}
              reliefRed={isRed(stationKey('relief', 0, 7))}
              actionRed={isRed(stationKey('action', drawn, 12))}
            />
            {part !== 'frets' && part !== 'body' && (
              <PlanView
                construction={c}
                geometry={g}
                top={planTop}
                drawn={drawn}
                contacts={contacts}
                saddleThickness={thickness}
                playing={props.playing}
              />
            )}
          </g>
          {heads.map((h) => {
            const spot = spotOf(h.station, c, g);
            if (spot === null || h.top + HEAD < headHeight) return null;
            return (
              <path
                key={h.station.key}
                d={`M${h.left + h.width / 2} ${headHeight - 4} L${spot} ${headHeight + 14}`}
                stroke="var(--quiet)"
                fill="none"
              />
            );
          })}
        </svg>
        {heads.map((h) => (
          <Head key={h.station.key} placed={h} said={stateOf(h.station)} displayUnit={displayUnit}>
            {field(h.station, 'h-11 w-full text-xl')}
          </Head>
        ))}
        <p
          className="absolute text-[0.8rem] text-quiet"
          style={{ left: 0, top: part === 'frets' ? planTop - 34 : planTop - 18 }}
        >
          {leftCaption}
        </p>
        <p className="absolute text-right text-[0.8rem] text-quiet" style={{ right: 0, top: planTop - 18 }}>
          {rightCaption}
        </p>
        {rows > 0 && part !== 'frets' && <RowNames construction={c} top={planTop} />}
        {part === 'frets' && <FretNames cells={cells} top={planTop} />}
        {cells.map((cell) => {
          const said = stateOf(cell.station);
          return (
            <div
              key={cell.station.key}
              className="absolute flex items-center focus-within:z-10"
              style={{ left: cell.left, top: cell.top, height: ROW }}
            >
              {/* a narrow field grows while it is written in */}
              <div
                className={cell.kind === 'dense' ? 'focus-within:min-w-28' : ''}
                style={{ width: cell.width }}
              >
                {field(
                  cell.station,
                  cell.kind === 'dense'
                    ? 'h-[27px] w-full bg-card text-sm focus:w-28'
                    : 'h-[27px] w-full bg-card text-base focus:min-w-28',
                  true,
                )}
              </div>
              {cell.kind === 'cell' && (
                <span
                  aria-hidden
                  className={`w-4 text-center text-xs ${said.red ? 'text-rubric' : 'text-quiet'}`}
                  title={said.words}
                >
                  {said.mark}
                </span>
              )}
            </div>
          );
        })}
      </div>
    </div>
  );
}

/** A narrow field leaves millimetres to the words over its column. */
const withoutUnit = (said: ReturnType<typeof fieldState>) => ({
  ...said,
  shown: said.shown.replace(/ mm$/, ''),
});

/** A field with its name, its band and what it says, over the drawing. */
function Head({
  placed,
  said,
  displayUnit,
  children,
}: {
  readonly placed: Placed;
  readonly said: ReturnType<typeof fieldState>;
  readonly displayUnit: DisplayUnit;
  readonly children: React.ReactNode;
}) {
  const s = placed.station;
  return (
    <div className="absolute" style={{ left: placed.left, top: placed.top, width: placed.width }}>
      <label
        htmlFor={`station-${s.key}`}
        className="flex justify-between gap-2 text-[0.8rem] leading-5 whitespace-nowrap text-quiet"
      >
        <span className="truncate" title={s.label}>
          {s.label}
        </span>
        <span>{s.target ? sayBand(s.target, s.quantity, displayUnit) : ''}</span>
      </label>
      {children}
      <p
        className={`truncate text-[0.8rem] leading-tight ${said.red ? 'text-rubric' : 'text-quiet'}`}
        title={said.words}
      >
        {said.mark} {said.words}
      </p>
    </div>
  );
}

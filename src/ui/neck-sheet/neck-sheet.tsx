'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { fretPosition } from '../../core/neck/fret-position.ts';
import type { RoundKind } from '../../core/readings/reading.ts';
import { ROUND_NAMES } from '../../core/readings/reading.ts';
import { stationKey } from '../../core/readings/stations.ts';
import type { JobView } from '../../server/job/load-job.ts';
import { FIELD, lineOf, placeLabels, sheetGeometry, type Measured } from './geometry.ts';
import { PlanView, ROW } from './plan-view.tsx';
import { fieldState, ReadingField, type StationView } from './reading-field.tsx';
import { SideView, type SheetLine } from './side-view.tsx';
import { sayBand, type Tongue } from './units.ts';
import type { ReadingsState } from './use-readings.ts';

const HEAD_FIELD = 176;
const HEAD = 88;
const SIDE = 204;
const USUAL_WIDTH = 1150;
const LEAST_WIDTH = 720;

interface Props {
  readonly job: JobView;
  readonly round: RoundKind;
  readonly tongue: Tongue;
  readonly editable: boolean;
  readonly state: ReadingsState;
  readonly onFocus: (station: StationView) => void;
  readonly onScale: (enlarged: number) => void;
}

/** What was read of one string in a round, for drawing. Readings that are not representative are not drawn. */
function measuredOf(job: JobView, round: RoundKind, string: number): Measured {
  const value = (key: string) =>
    job.readings.readings.find((r) => r.round === round && r.key === key && r.notRepresentative === null)
      ?.value ?? null;
  return {
    relief: value(stationKey('relief', 0, 7)),
    action: value(stationKey('action', string, 12)),
    nutGap: value(stationKey('nut-gap', string, 1)),
  };
}

function useWidth() {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(USUAL_WIDTH);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const watch = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(LEAST_WIDTH, Math.floor(entry.contentRect.width))),
    );
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return { ref, width };
}

/** The neck sheet: the drawing, and every field at the place where its reading is taken. */
export function NeckSheet({ job, round, tongue, editable, state, onFocus, onScale }: Props) {
  const c = job.instrument.construction;
  const { ref, width } = useWidth();
  const [drawn, setDrawn] = useState(c.strings.length);
  const { stations, readings } = job.readings;
  const lines = useMemo<SheetLine[]>(() => {
    const found: SheetLine = {
      name: ROUND_NAMES['as-found'],
      measured: measuredOf(job, 'as-found', drawn),
      tone: 'found',
    };
    if (round === 'as-found') return [found];
    return [found, { name: ROUND_NAMES[round], measured: measuredOf(job, round, drawn), tone: 'left' }];
  }, [job, round, drawn]);
  const bandOf = (key: string) => stations.find((s) => s.key === key)?.target ?? null;
  const band = bandOf(stationKey('action', drawn, 12));
  const tallest = Math.max(
    4,
    ...lines.map((l) => lineOf(c, l.measured)?.saddle ?? 0),
    band ? band.high * 2 : 0,
  );
  const g = sheetGeometry(c, width, tallest);
  useEffect(() => onScale(g.enlarged), [g.enlarged, onScale]);

  const stateOf = (s: StationView) =>
    fieldState(
      s,
      readings.find((r) => r.round === round && r.key === s.key),
      state.kept[s.key],
      state.drafts[s.key],
      tongue,
    );
  const next = (from: StationView, back: boolean) => {
    const to = stations[stations.findIndex((s) => s.key === from.key) + (back ? -1 : 1)];
    if (to) document.getElementById(`station-${to.key}`)?.focus();
    else (document.activeElement as HTMLElement | null)?.blur();
  };
  const field = (s: StationView, className: string) => (
    <ReadingField
      key={s.key}
      station={s}
      state={stateOf(s)}
      editable={editable}
      className={className}
      describedBy="sheet-says"
      onType={(text) => state.type(s.key, text)}
      onCommit={() => state.commit(s)}
      onNext={(back) => next(s, back)}
      onFocus={() => {
        if (s.quantity === 'action' || s.quantity === 'nut-gap')
          setDrawn(s.string === 0 ? drawn : s.string >= c.strings.length / 2 ? c.strings.length : 1);
        onFocus(s);
      }}
    />
  );

  const heads = stations.filter((s) => ['relief', 'action', 'saddle-standout'].includes(s.quantity));
  const spotOf = (s: StationView) =>
    s.quantity === 'saddle-standout' ? g.x(c.scale + c.compensation) : g.x(fretPosition(c.scale, s.fret));
  const edges = placeLabels(
    heads.map((s) => spotOf(s)),
    HEAD_FIELD,
    14,
    g.width,
  );
  const planTop = HEAD + SIDE + 18;
  const rows = c.strings.length / c.perCourse;
  const height = planTop + rows * ROW + 8;
  const measured = lines.at(-1)?.measured;
  const isRed = (key: string) => stations.some((s) => s.key === key && stateOf(s).red);
  return (
    <div ref={ref} className="overflow-x-auto">
      <div className="relative" style={{ width: g.width, height }}>
        <svg
          width={g.width}
          height={height}
          className="absolute inset-0"
          role="img"
          aria-label={`Neck of ${job.instrument.name}, ${ROUND_NAMES[round].toLowerCase()}, heights enlarged ${g.enlarged} times. Every reading drawn stands in the fields.`}
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
          </defs>
          <SideView
            construction={c}
            geometry={g}
            top={HEAD}
            height={SIDE - 18}
            lines={lines}
            band={band}
            relief={measured?.relief ?? 0}
            reliefRed={isRed(stationKey('relief', 0, 7))}
            actionRed={isRed(stationKey('action', drawn, 12))}
          />
          <PlanView construction={c} geometry={g} top={planTop} drawn={drawn} />
          {heads.map((s, i) => (
            <path
              key={s.key}
              d={`M${(edges[i] ?? 0) + HEAD_FIELD / 2} ${HEAD - 4} L${spotOf(s)} ${HEAD + 14}`}
              stroke="var(--quiet)"
              fill="none"
            />
          ))}
        </svg>
        {heads.map((s, i) => {
          const said = stateOf(s);
          return (
            <div key={s.key} className="absolute top-0" style={{ left: edges[i], width: HEAD_FIELD }}>
              <label
                htmlFor={`station-${s.key}`}
                className="flex justify-between gap-2 text-[0.8rem] leading-5 whitespace-nowrap text-quiet"
              >
                <span>{s.label}</span>
                <span>{s.target ? sayBand(s.target, s.quantity, tongue) : ''}</span>
              </label>
              {field(s, 'h-11 w-full text-xl')}
              <p
                className={`truncate text-[0.8rem] leading-tight ${said.red ? 'text-rubric' : 'text-quiet'}`}
                title={said.words}
              >
                {said.mark} {said.words}
              </p>
            </div>
          );
        })}
        <p className="absolute text-[0.8rem] text-quiet" style={{ left: 0, top: planTop - 18 }}>
          gap over 1, held at 3
        </p>
        <p className="absolute text-right text-[0.8rem] text-quiet" style={{ right: 0, top: planTop - 18 }}>
          cents at 12
        </p>
        {c.strings.map((s, i) => {
          const number = c.strings.length - i;
          const row = Math.floor(i / c.perCourse);
          const column = i % c.perCourse;
          const gap = stations.find((x) => x.key === stationKey('nut-gap', number, 1));
          const cents = stations.find((x) => x.key === stationKey('intonation', number, 12));
          const top = planTop + row * ROW;
          const mark = (x: StationView) => {
            const said = stateOf(x);
            return (
              <span
                aria-hidden
                className={`w-4 text-center text-xs ${said.red ? 'text-rubric' : 'text-quiet'}`}
                title={said.words}
              >
                {said.mark}
              </span>
            );
          };
          return (
            <div key={number}>
              <div
                className="absolute flex items-center"
                style={{ left: column === 0 ? 0 : 46 + FIELD * column, top, height: ROW }}
              >
                {column === 0 && (
                  <span className="w-[46px] text-sm text-quiet">
                    {rows - row} {s.note.replace(/\d$/, '')}
                  </span>
                )}
                {gap && field(gap, 'h-[27px] w-[66px] text-base')}
                {gap && mark(gap)}
              </div>
              <div
                className="absolute flex items-center"
                style={{ left: g.width - FIELD * (c.perCourse - column), top, height: ROW }}
              >
                {cents && field(cents, 'h-[27px] w-[60px] text-base')}
                {cents && mark(cents)}
              </div>
            </div>
          );
        })}
      </div>
    </div>
  );
}

'use client';

import { Suspense, useState, type KeyboardEvent } from 'react';
import { ACTION_FRET, RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import { formatMoney } from '../../core/money/currency.ts';
import type { BenchView } from '../../core/practice/bench-view.ts';
import type { LoadedBench } from '../../server/practice/load-practice.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { lazyPart } from '../kit/lazy-part.ts';
import { Trouble } from '../kit/trouble.tsx';
import { DoneList } from './done-list.tsx';
import { LookPanel } from './look-panel.tsx';
import { ReadPanel } from './read-panel.tsx';
import { usePractice, type Practice } from './use-practice.ts';

const AskPanel = lazyPart(() => import('./ask-panel.tsx').then((m) => m.AskPanel));
const ListenPanel = lazyPart(() => import('./listen-panel.tsx').then((m) => m.ListenPanel));
const WorkPanel = lazyPart(() => import('./work-panel.tsx').then((m) => m.WorkPanel));
const HandBack = lazyPart(() => import('./hand-back.tsx').then((m) => m.HandBack));
const OpenedView = lazyPart(() => import('./opened-view.tsx').then((m) => m.OpenedView));
const PracticeDrawing = lazyPart(() => import('./practice-drawing.tsx').then((m) => m.PracticeDrawing));

const TABS = {
  ask: 'Ask',
  read: 'Read',
  look: 'Look',
  listen: 'Listen',
  work: 'Work',
  back: 'Hand back',
} as const;
type Tab = keyof typeof TABS;

/** What its owner says, and what can be seen of how it is built. */
function Owner({ view, setBy }: { readonly view: BenchView; readonly setBy: string | null }) {
  return (
    <div className="space-y-1">
      <p className="font-serif text-xl text-ink">“{view.says}”</p>
      <p className="text-sm text-quiet">
        level {view.level} · {view.touch} · {view.built.join(' · ')}
        {setBy !== null && ` · set by ${setBy}`}
      </p>
    </div>
  );
}

/** What was read of the lowest string, for drawing. */
function readSoFar(view: BenchView) {
  const value = (key: string): number | null => {
    const s = view.stations.find((x) => x.key === key);
    return s && s.state !== 'not-at-pitch' ? s.value : null;
  };
  const lowest = view.construction.strings.length;
  return {
    relief: value(stationKey('relief', 0, RELIEF_FRET)),
    action: value(stationKey('action', lowest, ACTION_FRET)),
    nutGap: value(stationKey('nut-gap', lowest, 1)),
  };
}

function Drawing({ view }: { readonly view: BenchView }) {
  const { construction: c } = view;
  const band = view.stations.find((s) => s.key === stationKey('action', c.strings.length, ACTION_FRET))?.band;
  return (
    <Suspense fallback={<div className="h-48" />}>
      <PracticeDrawing
        construction={c}
        band={band ?? null}
        says="The neck from the side as it was read so far, under its lowest string."
        lines={[{ name: 'as read', measured: readSoFar(view), tone: 'left' }]}
      />
    </Suspense>
  );
}

interface Props {
  readonly bench: LoadedBench;
  readonly currency: string;
}

interface PanelProps {
  readonly tab: Tab;
  readonly bench: LoadedBench;
  readonly unit: DisplayUnit;
  readonly money: (minor: number) => string;
  readonly practice: Practice;
}

function Panel({ tab, bench: { id, view }, unit, money, practice }: PanelProps) {
  switch (tab) {
    case 'ask':
      return <AskPanel questions={view.questions} practice={practice} />;
    case 'read':
      return <ReadPanel stations={view.stations} unit={unit} practice={practice} />;
    case 'look':
      return <LookPanel items={view.items} practice={practice} />;
    case 'listen':
      return (
        <ListenPanel
          sessionId={id}
          strings={view.strings}
          played={view.played}
          heard={view.heard}
          practice={practice}
        />
      );
    case 'work':
      return (
        <WorkPanel
          sessionId={id}
          work={view.work}
          strings={view.strings}
          unit={unit}
          money={money}
          practice={practice}
        />
      );
    case 'back':
      return <HandBack sessionId={id} faults={view.faults} practice={practice} />;
  }
}

function Tabs({ tab, onTab }: { readonly tab: Tab; readonly onTab: (tab: Tab) => void }) {
  const names = Object.keys(TABS) as Tab[];
  const go = (e: KeyboardEvent): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (step === undefined) return;
    e.preventDefault();
    const next = names[(names.indexOf(tab) + step + names.length) % names.length] ?? tab;
    onTab(next);
    document.getElementById(`tab-${next}`)?.focus();
  };
  return (
    <div
      role="tablist"
      aria-label="What to do"
      onKeyDown={go}
      className="flex flex-wrap border-b-2 border-plain"
    >
      {names.map((t) => (
        <button
          key={t}
          type="button"
          role="tab"
          id={`tab-${t}`}
          aria-selected={t === tab}
          aria-controls="practice-panel"
          tabIndex={t === tab ? 0 : -1}
          onClick={() => onTab(t)}
          className={`min-h-11 cursor-pointer px-4 ${t === tab ? 'bg-plain text-paper' : 'hover:bg-shade'}`}
        >
          {TABS[t]}
        </button>
      ))}
    </div>
  );
}

function SoFar({ view, unit, money }: { readonly view: BenchView } & Pick<PanelProps, 'unit' | 'money'>) {
  const { nut, saddle, frets } = view.taken;
  return (
    <section aria-labelledby="so-far" className="space-y-1">
      <h2 id="so-far" className="text-xl">
        Done so far
      </h2>
      <p className="text-sm text-quiet">
        {view.minutes} minutes, {money(view.price)} of work
        {nut + saddle + frets > 0.005 && ' · wood or metal was taken'}
      </p>
      <p className="text-sm text-quiet">
        Aims, minutes and prices are the usual ones and not this shop’s, so that a code is the same for
        everybody.
      </p>
      <DoneList entries={view.entries} unit={unit} />
    </section>
  );
}

function Bench({ bench, unit, money }: Pick<PanelProps, 'bench' | 'unit' | 'money'>) {
  const [tab, setTab] = useState<Tab>('read');
  const practice = usePractice(bench.id, bench.version);
  return (
    <>
      <Drawing view={bench.view} />
      <div className="grid gap-6 lg:grid-cols-[1fr_21rem]">
        <section aria-label="At the bench" className="min-w-0 space-y-3">
          <Tabs tab={tab} onTab={setTab} />
          <div role="tabpanel" id="practice-panel" aria-labelledby={`tab-${tab}`}>
            <Suspense fallback={<p className="text-quiet">Coming …</p>}>
              <Panel tab={tab} bench={bench} unit={unit} money={money} practice={practice} />
            </Suspense>
          </div>
          {tab !== 'work' && tab !== 'back' && <Trouble trouble={practice.trouble} />}
        </section>
        <SoFar view={bench.view} unit={unit} money={money} />
      </div>
    </>
  );
}

/** A practice instrument on the bench: read it, look, listen, work on it, hand it back; then its inside. */
export function PracticeBench({ bench, currency }: Props) {
  const { view, opened, truth } = bench;
  const [unit] = useDisplayUnit();
  const money = (minor: number): string => formatMoney(minor, currency);
  return (
    <div className="space-y-3 px-5 py-3">
      <Owner view={view} setBy={bench.setBy} />
      {opened === null || truth === null ? (
        <Bench bench={bench} unit={unit} money={money} />
      ) : (
        <Suspense>
          <OpenedView
            opened={opened}
            truth={truth}
            construction={view.construction}
            stations={view.stations}
            unit={unit}
            money={money}
          />
        </Suspense>
      )}
    </div>
  );
}

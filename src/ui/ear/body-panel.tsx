'use client';

import type { HeardBody } from '../../core/ear/listening-body.ts';
import { placePlan } from '../../core/ear/place-round.ts';
import { sayKnocks, sayModePitch, sayModeRing, sayWolf } from '../../core/ear/say-body.ts';
import { wolfPlaces } from '../../core/ear/wolf.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import type { Hz } from '../../core/units/unit-types.ts';
import { BodyPicture } from './body-picture.tsx';
import { EarControls } from './ear-controls.tsx';
import { useWords } from './ear-hearing.tsx';
import { EarStands, EarStart } from './ear-start.tsx';
import { useEar } from './use-ear.ts';

interface Props {
  readonly construction: Construction;
  readonly tuning: string;
  /** A4, Hz */
  readonly pitch: Hz;
  readonly onClose: () => void;
}

/** How far up the neck notes are compared with the body. */
const UP_TO = 14;
const WORK = { kind: 'body' } as const;

/** Hears knocks on the body: its resonances, their picture over time, and the places of the neck they lie on. */
export function BodyPanel({ construction, tuning, pitch, onClose }: Props) {
  const ear = useEar({});
  const listening = ear.stands.kind === 'listening';
  useWords(listening, ear.say);
  const { heard } = ear.body ?? {};
  return (
    <div className="space-y-2">
      {listening ? (
        <div className="grid items-start gap-x-6 gap-y-2 md:grid-cols-[1fr_auto]">
          <p className="text-2xl" aria-live="polite">
            {sayKnocks(ear.body?.knocks ?? 0)}
          </p>
          <EarControls ear={ear} skips={false} />
        </div>
      ) : (
        <>
          {heard ? (
            <Resonances heard={heard} construction={construction} tuning={tuning} pitch={pitch} />
          ) : (
            <EarStands ear={ear} says={ear.stands.kind === 'over' ? 'No knock was heard.' : BEFORE} />
          )}
          <EarStart ear={ear} work={() => WORK} onClose={onClose} />
        </>
      )}
    </div>
  );
}

const BEFORE =
  'Five knocks at the bridge with a soft fingertip, the strings damped, a second apart. What is heard stays on this tablet and is forgotten when you leave.';

function Resonances({
  heard,
  construction,
  tuning,
  pitch,
}: { readonly heard: HeardBody } & Omit<Props, 'onClose'>) {
  const { places } = placePlan(construction, {
    tuning,
    pitch,
    firstString: 'lowest',
    only: null,
    upTo: Math.min(UP_TO, construction.frets - 1),
  });
  const wolf = wolfPlaces(heard.modes, places);
  return (
    <div className="grid gap-x-6 gap-y-2 lg:grid-cols-[1fr_24rem]">
      <BodyPicture picture={heard.picture} modes={heard.modes} />
      <div className="space-y-2 text-sm">
        <h3 className="font-semibold">
          Resonances, from {heard.knocks} {heard.knocks === 1 ? 'knock' : 'knocks'}
        </h3>
        {heard.modes.length === 0 && <p>Nothing rings there that could be told from the knock.</p>}
        <ul className="divide-y divide-line border-y border-line" aria-label="Resonances">
          {heard.modes.map((m) => (
            <li key={m.hz} className="py-0.5">
              <span className="flex flex-wrap justify-between gap-x-3">
                <b>{sayModePitch(m, pitch)}</b> <span>{sayModeRing(m)}</span>
              </span>
              <span className="text-quiet">{sayWolf(m, wolf)}</span>
            </li>
          ))}
        </ul>
        {wolf.length > 0 && (
          <p className="text-quiet">
            Such a note may come out louder, die sooner or waver: a forecast, play it and hear.
          </p>
        )}
      </div>
    </div>
  );
}

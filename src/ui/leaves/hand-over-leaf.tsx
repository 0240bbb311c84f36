'use client';

import { useState } from 'react';
import { BeforeAfter } from '../hand-over/before-after.tsx';
import { LinksPanel } from '../customer/links-panel.tsx';
import { SheetView } from '../customer/sheet-view.tsx';
import { Advice } from '../hand-over/advice.tsx';
import { BenchCheck, LeftTrouble, SecondName } from '../hand-over/bench-check.tsx';
import { Ended, Ending } from '../hand-over/ending.tsx';
import { HearBoth } from '../hand-over/hear-both.tsx';
import { Invoices } from '../hand-over/invoices.tsx';
import { Payments } from '../hand-over/payments.tsx';
import { Earlier, Seal, Signing, Tweak } from '../hand-over/signing.tsx';
import { Things } from '../hand-over/things-back.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import type { LeafProps } from '../job/leaf-props.ts';

const VIEWS = { sheet: 'The customer’s sheet', bench: 'Before and after, in bench units' } as const;

/** What the customer sees and signs, the bench check, what goes back, payment, and the seals. */
export function HandOverLeaf({ job, allowed, me }: LeafProps<'sheet' | 'seal' | 'invoices'>) {
  const [view, setView] = useState<keyof typeof VIEWS>('sheet');
  const closed = job.state === 'closed';
  const signed = job.handOver.signedAt !== null;
  return (
    <div className="grid gap-8 lg:grid-cols-[1fr_25rem]">
      <div className="space-y-3">
        <PillChoice quiet legend="Show" value={view} options={VIEWS} onChange={setView} />
        {view === 'sheet' ? (
          <SheetView
            sheet={job.sheet.content}
            construction={job.instrument.construction}
            photos={job.photos.map((p) => `/api/photo/${p.id}?size=small`)}
            level={2}
          />
        ) : (
          <section aria-labelledby="before">
            <h2 id="before" className="mb-1 text-xl">
              Before and after
            </h2>
            <BeforeAfter job={job} />
            <HearBoth job={job} />
          </section>
        )}
        <p className="flex flex-wrap gap-2">
          <a className="button" href={`/api/job/${job.number}/paper/sheet`} target="_blank" rel="noreferrer">
            Sheet as PDF
          </a>
          <a href={`/api/job/${job.number}/zip`} className="button" download={`job-${job.number}.zip`}>
            The whole job as a zip
          </a>
        </p>
      </div>
      <div className="space-y-6">
        <Seal job={job} />
        <Earlier job={job} />
        <Ended job={job} may={allowed.afterwards} />
        {!closed && <Ending job={job} may={allowed.handOver} />}
        <BenchCheck key={job.handOver.exception} job={job} may={allowed.handOver} />
        <LeftTrouble job={job} />
        <SecondName job={job} me={me} may={allowed.work} />
        <Things job={job} may={allowed.handOver} />
        {!closed && <Advice job={job} may={allowed.handOver} />}
        {!closed && allowed.handOver && <Signing job={job} />}
        <Payments job={job} may={allowed.afterwards} />
        <Invoices job={job} may={allowed.afterwards} />
        <LinksPanel job={job} purpose="sheet" may mayHold />
        {signed && <Tweak job={job} />}
      </div>
    </div>
  );
}

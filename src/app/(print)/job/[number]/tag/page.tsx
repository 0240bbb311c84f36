import { STRINGS_STATES } from '../../../../../core/readings/conditions.ts';
import { notFound } from 'next/navigation';
import QRCode from 'qrcode';
import { database } from '../../../../../server/db/connection.ts';
import { loadTag } from '../../../../../server/desk/load-tag.ts';
import { sayDate } from '../../../../../ui/kit/dates.ts';
import { PrintButton } from '../../../../../ui/kit/print-button.tsx';
import { origin } from '../../../../_lib/origin.ts';
import { requireActor } from '../../../../_lib/session.ts';

export const metadata = { title: 'Tag' };

/** A tag to hang on the instrument: number, whose, what, and a code that opens the job. */
export default async function TagPage({ params }: { readonly params: Promise<{ number: string }> }) {
  await requireActor();
  const { number } = await params;
  const job = /^\d{1,9}$/.test(number) ? await loadTag(database(), Number(number)) : null;
  if (!job) notFound();
  const code = QRCode.create(`${await origin()}/job/${job.number}`, { errorCorrectionLevel: 'M' });
  const size = code.modules.size;
  const dark = Array.from({ length: size * size }, (_, i) => i).filter((i) => code.modules.data[i] === 1);
  return (
    <main className="p-8">
      <article
        aria-label={`Tag of job ${job.number}`}
        className="flex w-[90mm] gap-[5mm] border border-plain bg-white p-[5mm] text-black"
      >
        <svg
          viewBox={`-4 -4 ${size + 8} ${size + 8}`}
          className="h-[34mm] w-[34mm] shrink-0"
          role="img"
          aria-label={`Code that opens job ${job.number}`}
          shapeRendering="crispEdges"
        >
          <rect x={-4} y={-4} width={size + 8} height={size + 8} fill="#fff" />
          <path d={dark.map((i) => `M${i % size} ${Math.floor(i / size)}h1v1h-1z`).join('')} fill="#000" />
        </svg>
        <div className="min-w-0">
          <p className="font-serif text-4xl font-bold">{job.number}</p>
          <p className="font-bold">{job.customer}</p>
          <p>{`${job.maker} ${job.model}`.trim()}</p>
          <p className="text-sm">{job.serial}</p>
          <p className="text-sm">
            {job.place ?? 'no place'}
            {job.neededBy && ` · by ${sayDate(job.neededBy)}`}
          </p>
          {job.stringsState !== 'at-pitch' && (
            <p className="text-sm font-bold">◆ {STRINGS_STATES[job.stringsState]}</p>
          )}
        </div>
      </article>
      <PrintButton />
    </main>
  );
}

'use client';

import { Camera, ImagePlus, X } from 'lucide-react';
import { useId } from 'react';
import type { BenchJob } from '../../server/bench/load-bench-job.ts';
import { useSend } from '../data/use-send.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useUploads, type Going, type PhotoTarget } from './uploads.tsx';

const TAKEN = 'image/jpeg,image/png,image/webp';

const same = (g: PhotoTarget, t: PhotoTarget): boolean =>
  g.jobId === t.jobId && g.markId === t.markId && g.item === t.item;

function OnTheWay({ one, onForget }: { readonly one: Going; readonly onForget: () => void }) {
  if (one.state === 'refused') {
    return (
      <li className="flex items-center gap-2 text-sm text-rubric">
        <span role="alert">
          ◆ {one.name}: {one.message}
        </span>
        <button
          type="button"
          className="button px-3"
          aria-label={`Understood: ${one.name}`}
          onClick={onForget}
        >
          Understood
        </button>
      </li>
    );
  }
  return (
    <li className="flex items-center gap-2 text-sm">
      <span className="max-w-40 truncate">{one.name}</span>
      <progress aria-label={`${one.name} on its way`} className="w-24" max={one.size} value={one.sent} />
      {one.state === 'waiting' ? 'waits' : `${Math.round((100 * one.sent) / Math.max(1, one.size))} %`}
    </li>
  );
}

function Choose({
  label,
  camera,
  onFiles,
}: {
  readonly label: string;
  readonly camera: boolean;
  readonly onFiles: (files: FileList) => void;
}) {
  const id = useId();
  return (
    <>
      <input
        id={id}
        type="file"
        accept={TAKEN}
        multiple={!camera}
        {...(camera && { capture: 'environment' as const })}
        className="peer sr-only"
        onChange={(e) => {
          if (e.target.files) onFiles(e.target.files);
          e.target.value = '';
        }}
      />
      <label
        htmlFor={id}
        className="button cursor-pointer peer-focus-visible:outline-3 peer-focus-visible:outline-ink"
      >
        {camera ? <Camera aria-hidden size={18} /> : <ImagePlus aria-hidden size={18} />} {label}
      </label>
    </>
  );
}

/** Photos that are kept, each with its way out where one may. */
function Kept({
  photos,
  about,
  may,
  busy,
  onRemove,
}: {
  readonly photos: BenchJob['photos'];
  readonly about: string;
  readonly may: boolean;
  readonly busy: boolean;
  readonly onRemove: (photoId: number) => void;
}) {
  return (
    <ul className="flex flex-wrap gap-2" aria-label={`Photos: ${about}`}>
      {photos.map((p, i) => (
        <li key={p.id} className="relative">
          <a href={`/api/photo/${p.id}`} target="_blank" rel="noreferrer">
            {/* the house's own bytes, already small */}
            <img
              src={`/api/photo/${p.id}?size=small`}
              alt={`Photo ${i + 1} of ${about}, by ${p.by}`}
              className="h-24 w-auto min-w-24 border border-line object-cover"
            />
          </a>
          {may && (
            <button
              type="button"
              className="absolute top-0 right-0 flex h-11 w-11 cursor-pointer items-center justify-center bg-paper"
              aria-label={`Take photo ${i + 1} of ${about} away`}
              disabled={busy}
              onClick={() => onRemove(p.id)}
            >
              <X aria-hidden size={18} />
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** The photos of one place on a job, those on their way, and the way to add more from files or the camera. */
export function PhotoStrip({
  job,
  target,
  about,
  may,
}: {
  readonly job: Pick<BenchJob, 'id' | 'photos'>;
  readonly target: Omit<PhotoTarget, 'jobId'>;
  readonly about: string;
  readonly may: boolean;
}) {
  const { going, add, forget } = useUploads();
  const { give, busy, trouble } = useSend();
  const whole: PhotoTarget = { jobId: job.id, ...target };
  const photos = job.photos.filter(
    (p) => (p.markId ?? undefined) === target.markId && (p.item ?? undefined) === target.item,
  );
  const mine = going.filter((g) => same(g, whole));
  if (photos.length === 0 && mine.length === 0 && !may) return null;
  return (
    <div className="space-y-2">
      {photos.length > 0 && (
        <Kept
          photos={photos}
          about={about}
          may={may}
          busy={busy}
          onRemove={(photoId) => void give('custody.remove-photo', { photoId })}
        />
      )}
      {mine.length > 0 && (
        <ul aria-label={`On the way: ${about}`}>
          {mine.map((g) => (
            <OnTheWay key={g.key} one={g} onForget={() => forget(g.key)} />
          ))}
        </ul>
      )}
      <Trouble trouble={trouble} />
      {may && (
        <div className="flex flex-wrap gap-2" role="group" aria-label={`Add photos: ${about}`}>
          <Choose label="Photos" camera={false} onFiles={(files) => add(files, whole)} />
          <Choose label="Camera" camera onFiles={(files) => add(files, whole)} />
        </div>
      )}
    </div>
  );
}

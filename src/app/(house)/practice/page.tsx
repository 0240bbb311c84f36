import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { loadPractice } from '../../../server/practice/load-practice.ts';
import { PageHead } from '../../../ui/kit/page-head.tsx';
import { PracticePlace } from '../../../ui/practice/practice-place.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Practice' };

export default async function PracticePage() {
  const actor = await requireActor();
  const practice = await loadPractice(database(), actor.personId);
  return (
    <>
      <PageHead title="Practice" note="simulated instruments; nothing of it reaches the shop’s record" />
      <PracticePlace practice={practice} mayset={may(actor.role, 'house')} />
    </>
  );
}

import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { loadOwnLearned, loadShopLearned } from '../../../../server/learn/load-learned.ts';
import { FactPictures } from '../../../../ui/house/fact-pictures.tsx';
import { PromisesKept } from '../../../../ui/house/promises-kept.tsx';
import { LearnProposals } from '../../../../ui/house/learn-proposals.tsx';
import { FoundAgain, OptionsTaken } from '../../../../ui/house/share-rows.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'How it came out' };

export default async function LearnedPage() {
  const actor = await requireActor();
  const [db, now] = [database(), new Date()];
  const shop = await loadShop(db);
  const whole = may(actor.role, 'house');
  const [own, all] = await Promise.all([
    may(actor.role, 'work') ? loadOwnLearned(db, actor.personId, now) : null,
    whole ? loadShopLearned(db, shop.zone, now) : null,
  ]);
  return (
    <>
      <PageHead title="How it came out" note="what was said beforehand, and what came of it, over two years">
        {all && (
          <a href="/api/learned" download className="button">
            All of it as CSV
          </a>
        )}
      </PageHead>
      <div className="max-w-5xl space-y-6 px-5 py-4">
        {all && <LearnProposals proposals={all.proposals} currency={shop.currency} />}
        {all && <FactPictures id="shop" title="The shop’s work" sections={all.sections} />}
        {!own && !all && (
          <p className="text-quiet">Who works at the benches sees here how their own work came out.</p>
        )}
        {all && <FoundAgain rows={all.again} />}
        {all && <OptionsTaken rows={all.options} />}
      </div>
      {all && <PromisesKept promises={all.promises} />}
      <div className="max-w-5xl px-5 py-4">
        {own && (
          <FactPictures
            id="own"
            title={all ? 'Your own' : 'Your own work'}
            sections={own}
            note={all ? 'Everybody sees their own here, nobody another’s.' : 'Nobody else sees these.'}
          />
        )}
      </div>
    </>
  );
}

import type { JobParts } from '../job-parts.ts';
import type { NameOf } from '../shop.ts';
import { iso } from './moment.ts';

/** What was said over a job at the bench: notes, questions, answers, and what went along when it changed hands. */
export const saidView = ({ remarks, passings }: Pick<JobParts, 'remarks' | 'passings'>, name: NameOf) => ({
  remarks: remarks.map((r) => ({
    id: r.id,
    version: r.version,
    lineId: r.lineId,
    kind: r.kind,
    words: r.words,
    by: r.byPerson === null ? r.byCustomer : name(r.byPerson),
    customer: r.byPerson === null,
    to: name(r.toPerson),
    at: r.at.toISOString(),
    answer: r.answer,
    answeredBy: name(r.answeredBy),
    answeredAt: iso(r.answeredAt),
  })),
  handOns: passings.map((h) => ({
    id: h.id,
    from: name(h.fromPerson),
    to: name(h.toPerson),
    state: h.state,
    tried: h.tried,
    beware: h.beware,
    stale: h.stale,
    at: h.at.toISOString(),
  })),
});

/** The parts `wordsView` shows. */
export type WordsParts = 'remarks' | 'passings' | 'accidents' | 'links' | 'seals' | 'messages';

/** The same with what went wrong, the customer's ways in that still open, earlier signatures and messages. */
export const wordsView = (g: Pick<JobParts, WordsParts>, name: NameOf, now: Date) => ({
  ...saidView(g, name),
  accidents: g.accidents.map((a) => ({
    id: a.id,
    version: a.version,
    happened: a.happened,
    remedy: a.remedy,
    by: name(a.recordedBy),
    at: a.at.toISOString(),
  })),
  links: g.links
    .filter((l) => l.withdrawnAt === null && l.expiresAt > now)
    .map((l) => ({
      id: l.id,
      purpose: l.purpose,
      by: name(l.madeBy),
      at: l.madeAt.toISOString(),
      expiresAt: l.expiresAt.toISOString(),
    })),
  earlier: g.seals.map((s) => ({
    number: s.number,
    signer: s.signer,
    signedAt: s.signedAt.toISOString(),
    digest: s.digest,
    tweak: s.tweak,
    free: s.free,
    reopenedAt: s.reopenedAt.toISOString(),
  })),
  messages: g.messages.map((m) => ({
    id: m.id,
    purpose: m.purpose,
    channel: m.channel,
    state: m.state,
    trouble: m.trouble,
    wentBy: m.wentBy,
    madeAt: m.madeAt.toISOString(),
  })),
});

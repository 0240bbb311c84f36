import { benchTrouble } from '../../hand-over/bench-trouble.ts';
import { needsSecond, type HandOverRules } from '../../hand-over/rules.ts';
import type { Job } from '../job.ts';
import type { Judged } from '../judge.ts';
import type { NameOf } from '../shop.ts';
import { iso } from './moment.ts';

/** The hand-over as it stands: checks, what is still in the way, signature, payment. */
export const handOverView = (g: Job, judged: Judged, rules: HandOverRules, name: NameOf) => {
  const h = g.handOver;
  return {
    version: h?.version ?? 0,
    checks: h?.checks ?? {},
    exception: h?.exceptionText ?? '',
    checkedBy: name(h?.checkedBy ?? null),
    checkedAt: iso(h?.checkedAt),
    signer: h?.signer ?? '',
    signature: h?.signature ?? null,
    signedAt: iso(h?.signedAt),
    second: {
      wanted: needsSecond(rules, g.instrument.worthMinor),
      by: name(h?.secondBy ?? null),
      at: iso(h?.secondAt),
    },
    checker: h?.checkedBy ?? null,
    trouble: g.job.state === 'open' ? benchTrouble(g, judged) : null,
    adviceWritten: h?.advice ?? null,
    paid:
      h === null || h.paidMinor === null ? null : { amount: h.paidMinor, how: h.paidHow, at: iso(h.paidAt) },
    tweakDays: rules.tweakDays,
  };
};

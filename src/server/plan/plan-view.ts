import type { Database } from '../db/connection.ts';
import type { GatheredJob } from '../jobs/gather-job.ts';
import type { judge } from '../jobs/judge.ts';

/** What the Plan leaf needs besides readings and proposal, as plain data. */
export async function planView(
  { models }: Database,
  g: GatheredJob,
  judged: ReturnType<typeof judge>,
  name: (id: number | null) => string,
) {
  const where = { jobId: g.job.id };
  const [tries, results, offers] = await Promise.all([
    models.WhatIf.findAll({ where, order: [['id', 'ASC']] }),
    models.PlanResult.findAll({ where, order: [['id', 'ASC']] }),
    models.Offer.findAll({ where, order: [['id', 'DESC']], limit: 5 }),
  ]);
  const { planInput } = judged;
  return {
    catalogue: g.catalogue,
    findings: planInput.findings,
    strings: planInput.strings,
    settings: planInput.settings,
    readings: [...planInput.readings.values()].map(
      ({ key, quantity, string, fret, value, round, takenAt, notRepresentative, uncertainty }) => ({
        key,
        quantity,
        string,
        fret,
        value,
        round,
        takenAt,
        notRepresentative,
        uncertainty: uncertainty ?? null,
      }),
    ),
    stale: [...planInput.stale],
    worth: g.instrument.worthMinor,
    tries: tries.map((w) => ({
      id: w.id,
      name: w.name,
      moves: w.moves,
      by: name(w.madeBy),
      version: w.version,
    })),
    choice: g.choice && {
      plan: g.choice.plan,
      name: g.choice.content.name,
      moves: g.choice.content.moves,
      predicted: g.choice.content.predicted,
      reason: g.choice.reason,
      by: name(g.choice.chosenBy),
      at: g.choice.chosenAt.toISOString(),
      version: g.choice.version,
    },
    results: results.map((r) => ({
      key: r.place,
      predicted: Number(r.predicted),
      achieved: Number(r.achieved),
    })),
    offers: offers.map((o) => ({
      id: o.id,
      options: o.content.options.map((x) => ({ id: x.id, name: x.name })),
      by: name(o.madeBy),
      at: o.madeAt.toISOString(),
      expiresAt: o.expiresAt.toISOString(),
      withdrawn: o.withdrawnAt !== null,
      choice: o.choice,
      choiceBy: o.choiceBy,
      choiceHow: o.choiceHow,
      choiceNote: o.choiceNote,
      chosenAt: o.chosenAt?.toISOString() ?? null,
    })),
  };
}

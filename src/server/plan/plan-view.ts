import { readTogether } from '../db/read-together.ts';
import type { Database } from '../db/connection.ts';
import type { GatheredJob } from '../jobs/gather-job.ts';
import type { Judged } from '../../core/job/judge.ts';

/** What the Plan leaf needs besides readings and proposal, as plain data. */
export async function planView(
  { models, sequelize }: Database,
  g: GatheredJob,
  judged: Judged,
  name: (id: number | null) => string,
) {
  const OF_JOB = 'job_id = :job';
  const { tries, results, offers } = await readTogether(
    sequelize,
    {
      tries: { model: models.WhatIf, where: OF_JOB },
      results: { model: models.PlanResult, where: OF_JOB },
      offers: {
        model: models.Offer,
        where:
          'id IN (SELECT id FROM (SELECT id FROM offers WHERE job_id = :job ORDER BY id DESC LIMIT 5) newest)',
        order: 'id DESC',
      },
    } as const,
    { job: g.job.id },
  );
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

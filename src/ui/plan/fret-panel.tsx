'use client';

import type { Operation } from '../../core/catalogue/operation.ts';
import { ACROSS, heightAt, type FretTops } from '../../core/frets/fret-level.ts';
import { fretPlan, STRATEGY_NAMES } from '../../core/frets/fret-plan.ts';
import { fretTopsOf } from '../../core/plan/solve/problem-from.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import Link from '../kit/link.tsx';
import { PrintButton } from '../kit/print-button.tsx';
import { amountUnit } from '../../core/targets/say-values.ts';
import { planInputOf } from './plan-problem.ts';
import { PlanSays } from './plan-says.tsx';
import { RockMap } from './rock-map.tsx';
import { Sideways } from '../kit/sideways.tsx';

const COLUMN = 46;
const SIDE = 14;
const HEIGHT = 120;

const isOfFrets = (o: Operation): boolean => o.takesFrom === 'frets' || o.stale.includes('fret-height');

/** Before heights were read: what the plan says of the frets, what to read and why, and the way there. */
function NotRead({
  job,
  rocks,
}: Pick<LeafProps<'plan'>, 'job'> & { readonly rocks: Parameters<typeof RockMap>[0]['rocks'] }) {
  const unit = amountUnit(useDisplayUnit()[0]);
  return (
    <section aria-label="Frets" className="max-w-3xl space-y-4">
      <PlanSays job={job} about="the frets" is={isOfFrets} reads="fret-height" out={false} />
      {rocks.length > 0 && (
        <>
          <RockMap frets={job.instrument.construction.frets} rocks={rocks} />
          <p>
            Take down what rocks, once the neck is straight:{' '}
            {rocks.map((r) => `fret ${r.fret} by ${formatLength(r.value, unit)}`).join(', ')}.
          </p>
        </>
      )}
      <h2 className="text-xl">
        {rocks.length === 0 ? 'No fret was read yet' : 'No height of a fret was read yet'}
      </h2>
      <ul className="list-disc space-y-1 pl-5">
        {rocks.length === 0 && (
          <li>
            <b>What rocks</b>, three frets at a time: the feeler that fits says how far the middle one stands
            up. It is enough where one is lifted or high.
          </li>
        )}
        <li>
          <b>How high each fret stands</b> over the board, at bass, middle and treble: then the level surface
          stands here, what comes off, what is left of each, and the ways beside each other: dress what is
          high, level all, replace some or all.
        </li>
      </ul>
      <div className="flex gap-3 print:hidden">
        {job.state === 'open' && (
          <Link className="button button-main" href={`/job/${job.number}/readings#frets`}>
            Read the frets
          </Link>
        )}
        {rocks.length > 0 && <PrintButton low={false} />}
      </div>
    </section>
  );
}

/** The fret map: what stands at each of three places across, how much of it comes off, what is left. */
export function FretPanel({ job }: Pick<LeafProps<'plan'>, 'job'>) {
  const input = planInputOf(job);
  const c = job.instrument.construction;
  const tops = fretTopsOf(input);
  const rocks = [...input.readings.values()].filter(
    (r) => r.quantity === 'fret-rock' && !input.stale.has(r.key),
  );
  const { limits } = input.settings;
  const plan = fretPlan(c.scale, tops, limits.fretHeight, limits.newFretHeight);
  if (!plan) return <NotRead job={job} rocks={rocks} />;
  const tallest = Math.max(...plan.frets.map((f) => Math.max(f.bass, f.middle, f.treble)));
  const leastOf = (f: FretTops | undefined) =>
    f ? f.bass - heightAt(f, 'bass') + limits.fretHeight : limits.fretHeight;
  const onWood = plan.frets.some((f) => ACROSS.some((z) => Math.abs(f[z] - heightAt(f, z)) > 1e-9));
  const y = (mm: number) => 18 + (1 - mm / tallest) * HEIGHT;
  const width = plan.frets.length * COLUMN + 60;
  return (
    <section aria-label="Frets" className="space-y-3">
      <PlanSays job={job} about="the frets" is={isOfFrets} reads="fret-height" out={false} />
      <div className="flex items-center gap-3 print:hidden">
        <PrintButton low={false} />
        <p className="text-sm text-quiet">
          Bars: what stands over the board at bass, middle and treble
          {onWood ? ', on the wood as the neck was measured' : ''}. Dark: what comes off to level all with the
          least metal ({formatLength(plan.level.total, 'mm')} together; the action rises by about{' '}
          {formatLength(plan.level.actionRise, 'mm')}).
        </p>
      </div>
      <Sideways label="Fret map">
        <svg
          width={width}
          height={HEIGHT + 62}
          role="img"
          aria-label="Fret map with what comes off each fret; the table below says the same"
        >
          <text x={0} y={y(leastOf(plan.frets[0])) + 4} fontSize={11} fill="var(--quiet)">
            {limits.fretHeight}
          </text>
          {plan.frets.map((f, i) => {
            const level = plan.level.frets[i];
            return (
              <g key={f.fret}>
                {ACROSS.map((z, k) => {
                  const off = level?.removal[z] ?? 0;
                  const x = 44 + i * COLUMN + k * SIDE;
                  return (
                    <g key={z}>
                      <rect
                        x={x}
                        y={y(f[z])}
                        width={SIDE - 3}
                        height={y(f[z] - heightAt(f, z)) - y(f[z])}
                        fill="var(--card)"
                        stroke="var(--plain)"
                      />
                      <line
                        x1={x - 4}
                        x2={x + SIDE}
                        y1={y(f[z] - heightAt(f, z) + limits.fretHeight)}
                        y2={y(f[z] - heightAt(f, z) + limits.fretHeight)}
                        stroke="var(--quiet)"
                        strokeDasharray="4 4"
                      />
                      <rect
                        x={x}
                        y={y(f[z])}
                        width={SIDE - 3}
                        height={Math.max(off > 0.001 ? 1.5 : 0, y(f[z] - off) - y(f[z]))}
                        fill="var(--plain)"
                      />
                    </g>
                  );
                })}
                <text
                  x={44 + i * COLUMN + 1.5 * SIDE}
                  y={HEIGHT + 34}
                  textAnchor="middle"
                  fontSize={13}
                  fill="var(--plain)"
                >
                  {f.fret}
                </text>
                <text
                  x={44 + i * COLUMN + 1.5 * SIDE}
                  y={HEIGHT + 50}
                  textAnchor="middle"
                  fontSize={11}
                  fill="var(--quiet)"
                >
                  {Math.max(...Object.values(level?.removal ?? { bass: 0 })).toFixed(2)}
                </text>
              </g>
            );
          })}
        </svg>
      </Sideways>
      <div className="grid gap-6 lg:grid-cols-2">
        <table className="self-start text-left text-sm">
          <caption className="py-1 text-left font-serif text-lg font-semibold">The ways compared</caption>
          <thead>
            <tr className="border-b-2 border-plain">
              {['Way', 'Metal off, mm', 'Least left, mm', 'Action rises, mm', 'End too low'].map((h) => (
                <th key={h} scope="col" className="pr-4">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {plan.strategies
              .filter((s) => s.strategy !== 'replace-some' || s.replaced.length > 0)
              .map((s) => (
                <tr key={s.strategy} className="border-b border-line">
                  <th scope="row" className="py-1 pr-4 font-normal">
                    {STRATEGY_NAMES[s.strategy]}
                    {s.strategy === 'replace-some' && s.replaced.length > 0 && ` (${s.replaced.join(', ')})`}
                  </th>
                  <td>{s.total.toFixed(2)}</td>
                  <td>{s.leastLeft.toFixed(2)}</td>
                  <td>{s.actionRise.toFixed(2).replace('-', '−')}</td>
                  <td className={s.underMinimum.length > 0 ? 'text-rubric' : ''}>
                    {s.underMinimum.length === 0 ? 'none' : `◆ ${s.underMinimum.join(', ')}`}
                  </td>
                </tr>
              ))}
          </tbody>
        </table>
        <table className="self-start text-left text-sm">
          <caption className="py-1 text-left font-serif text-lg font-semibold">
            Off each fret, to level all, mm
          </caption>
          <thead>
            <tr className="border-b-2 border-plain">
              {['Fret', 'Bass', 'Middle', 'Treble', 'Left'].map((h) => (
                <th key={h} scope="col" className="pr-5">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {plan.level.frets.map((f) => (
              <tr key={f.fret} className="border-b border-line">
                <th scope="row">{f.fret}</th>
                {ACROSS.map((z) => (
                  <td key={z} className={f.removal[z] > 0.02 ? 'font-bold' : 'text-quiet'}>
                    {f.removal[z].toFixed(3)}
                  </td>
                ))}
                <td>{f.left.toFixed(2)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

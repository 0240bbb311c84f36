import type { End } from '../hand-over/ends.ts';
import type { Checklist } from '../inspection/checklist.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Discount } from '../money/money.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { ProposalLine } from '../plan/proposal.ts';
import type { Plan } from '../plan/solve/plans.ts';
import type { Conditions } from '../readings/conditions.ts';
import type { Methods } from '../readings/methods.ts';
import type { Quantity } from '../readings/quantities.ts';
import type { Reading } from '../readings/reading.ts';
import type { RoundKind } from '../readings/rounds.ts';
import type { SetOn } from '../readings/set-on.ts';
import type { RelativeWish, Side, Touch } from '../targets/target.ts';
import type { Hunt } from '../hunt/hunt-record.ts';
import type { HeardPlace } from '../whatif/heard.ts';
import type { Matters } from '../instrument/matters.ts';
import type { SetPayer } from './set-payer.ts';
import type { JobFacts } from './leaves.ts';
import type { Wait } from './waiting.ts';
import type { JudgedAnswer, JudgedJob, JudgedLine, JudgedStringChange, JudgedTurn } from './judged-job.ts';

/** The job itself: what was agreed at the counter, and where it stands. Money is in minor units. */
export interface JobCard {
  readonly id: number;
  readonly number: number;
  readonly version: number;
  readonly state: 'open' | 'closed';
  readonly complaint: string;
  /** null where nobody said */
  readonly touch: Touch | null;
  readonly plays: string;
  /** for what it matters to them; null where nobody asked */
  readonly matters?: Matters | null | undefined;
  /** who pays for the set it needs to be judged; null where nobody said */
  readonly setPaidBy?: SetPayer | null | undefined;
  readonly wish: string;
  /** yyyy-mm-dd */
  readonly neededBy: string | null;
  readonly hardDate: boolean;
  readonly hardReason: string;
  readonly limitMinor: number | null;
  readonly discountKind: Discount['kind'];
  readonly discountValue: number;
  readonly discountReason: string;
  readonly stringsState: Conditions['strings'];
  readonly placeId: number | null;
  readonly holderId: number | null;
  readonly waitingFor: Wait;
  readonly waitingNote: string;
  readonly waitingUntil: Date | null;
  readonly list: string;
  readonly facts: JobFacts;
  readonly heard?: readonly HeardPlace[] | null | undefined;
  /** the noise that is hunted on it; absent or null where none is */
  readonly hunt?: Hunt | null | undefined;
  readonly takenInAt: Date;
  readonly takenInBy: number;
  readonly closedAt: Date | null;
}

/** What is known of the instrument. */
export interface JobInstrument {
  readonly id: number;
  readonly version: number;
  readonly maker: string;
  readonly model: string;
  readonly year: string;
  /** what the year was read from */
  readonly yearFrom: string;
  readonly serial: string;
  readonly kind: string;
  readonly construction: Construction;
  /** what it is worth in good order, minor units */
  readonly worthMinor: number | null;
}

/** The inspection's own state, beside its answers. */
export interface JobInspection {
  readonly finishedAt: Date | null;
  readonly finishedBy: number | null;
  readonly ending: string;
  readonly version: number;
}

export interface JobAnswer extends JudgedAnswer {
  readonly answeredBy: number;
  readonly version: number;
}

/** A round of readings with the conditions it was read under. */
export interface JobRound extends Conditions, Partial<SetOn> {
  readonly id: number;
  readonly kind: RoundKind;
  readonly title: string;
  /** °C */
  readonly temperature: number | null;
  /** relative, % */
  readonly humidity: number | null;
  /** A4 in Hz, where it was said */
  readonly pitch: number | null;
  readonly methods: Methods | null;
  readonly gauges: Partial<Record<Quantity, number>> | null;
  readonly startedAt: Date;
  readonly version: number;
}

/** A reading with what the screens and the record show of it. */
export interface JobReading extends Reading {
  readonly roundId: number;
  readonly typed: string;
  readonly unit: string;
  readonly method: string;
  readonly gauge: string;
  readonly position: string;
  readonly copiedFrom: string | null;
  /** the number of the sound it was heard in, where that was kept */
  readonly sound?: number | null;
  /** how much that buzzed, 0 to 1; null where it can’t be told */
  readonly buzz?: number | null;
  readonly takenBy: number;
  readonly version: number;
}

export interface JobTargetRow {
  readonly quantity: Quantity;
  readonly side: Side;
  readonly stringNo: number;
  readonly layer: 'customer' | 'job';
  readonly relative: RelativeWish | null;
  readonly reason: string;
  readonly version: number;
}

export interface JobDecision {
  readonly id: number;
  readonly line: string;
  readonly decision: 'accepted' | 'changed' | 'declined';
  readonly changeText: string;
  readonly reason: string;
  readonly proposed: ProposalLine;
  /** the operation that is done instead of the one proposed */
  readonly instead: OperationId | null;
  readonly decidedBy: number;
  readonly version: number;
}

/** One turn of the rod as it was logged. */
export interface JobTurn extends JudgedTurn {
  readonly id: number;
  readonly lineId: number | null;
  /** what was typed of the relief after it; nothing for a turn that was made blind and not read yet */
  readonly typed: string;
  readonly turnedBy: number;
  readonly version: number;
}

/** A line of the work order. */
export interface JobLine extends JudgedLine {
  readonly id: number;
  readonly decisionId: number | null;
  readonly version: number;
  readonly detail: string;
  readonly sort: number;
  readonly priceMinor: number;
  readonly partsMinor: number;
  /** its own rates of tax, where they are not the shop’s usual ones */
  readonly tax: string | null;
  readonly partsTax: string | null;
  /** why its price is not the catalogue’s; empty where it is */
  readonly priceReason: string;
  readonly approvedBy: string;
  readonly approvedHow: string;
  readonly approvedAt: Date | null;
  readonly step: 'ready' | 'running' | 'paused' | 'finished';
  readonly finishedBy: number | null;
  /** what was found while inside; null for a line of the plan */
  readonly found: string | null;
  /** the line that stands still until this one is answered */
  readonly stops: number | null;
  readonly askedBy: number | null;
}

export interface JobStringChange extends JudgedStringChange {
  readonly reason: string;
  readonly lost: { readonly readings: readonly string[]; readonly items: readonly string[] };
  readonly setName: string;
  /** which strings are new and which broke, by number; null or absent where all or none */
  readonly newOnes?: readonly number[] | null;
  readonly broke?: readonly number[] | null;
  readonly brokeNote?: string;
  readonly changedBy: number;
}

/** What an instrument was called when a job on it was signed. */
export interface SignedInstrument {
  readonly maker: string;
  readonly model: string;
  readonly serial: string;
  readonly kind: string;
}

/** The hand-over: the bench's check, the signature, what was paid. */
/** Names that were withdrawn from what was signed: when, and what of it. */
export interface Withdrawn {
  readonly at: string;
  readonly what: readonly string[];
}

export interface JobHandOver {
  readonly version: number;
  readonly checks: Readonly<Record<string, boolean>>;
  readonly exceptionText: string;
  readonly checkedBy: number | null;
  readonly checkedAt: Date | null;
  readonly signer: string;
  readonly signature: string | null;
  readonly signedAt: Date | null;
  /** whom and what the signature was given for, as it was then */
  readonly subject: {
    readonly customer: string;
    readonly instrument: SignedInstrument;
    /** for a job that came from another house: its number and its lines' numbers there, as they were sealed */
    readonly number?: number;
    readonly lines?: readonly number[];
  } | null;
  readonly secondBy: number | null;
  readonly secondAt: Date | null;
  readonly advice: string | null;
  readonly nextCheck: string | null;
  /** the customer's sheet exactly as it was shown for the signature, written canonically */
  readonly shown: string | null;
  /** how it ends, as somebody said; and why, or where it goes */
  readonly ending: End;
  readonly endingNote: string;
  /** where it ended without a signature */
  readonly endedAt: Date | null;
  readonly endedBy: number | null;
  readonly withdrawn?: Withdrawn | null;
}

/** The plan a job goes by, as it was when it was chosen. */
export interface JobChoice {
  readonly plan: Plan['id'];
  readonly content: Plan;
  readonly reason: string;
  readonly chosenBy: number;
  readonly chosenAt: Date;
  readonly version: number;
}

/** A job as a plain value: what every screen, paper and rule of it is made from. */
export interface Job extends JudgedJob {
  readonly job: JobCard;
  readonly instrument: JobInstrument;
  readonly inspection: JobInspection | null;
  readonly checklist: Checklist | null;
  readonly answers: readonly JobAnswer[];
  /** in the order they were begun */
  readonly rounds: readonly JobRound[];
  /** as they were read */
  readonly readings: readonly JobReading[];
  readonly standard: readonly JobReading[];
  readonly targets: readonly JobTargetRow[];
  readonly decisions: readonly JobDecision[];
  readonly lines: readonly JobLine[];
  readonly stringChanges: readonly JobStringChange[];
  readonly handOver: JobHandOver | null;
  readonly choice: JobChoice | null;
  /** in the order they were made */
  readonly turns: readonly JobTurn[];
}

import type { Hunt } from '../hunt/hunt-record.ts';
import type { View } from '../instrument/outline.ts';
import type { OfferContent } from '../plan/options.ts';
import type { WatchedId } from '../learn/watched.ts';
import type { PaymentKind } from '../money/payments.ts';
import type { Reading } from '../readings/reading.ts';
import type { Moves } from '../whatif/moves.ts';
import type { CutMade } from '../work/cuts.ts';
import type { Job } from './job.ts';

/** Who brought it. */
export interface JobCustomer {
  readonly id: number;
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly version: number;
}

/** Something watched on the instrument, with its limit, mm. */
export interface JobWatch {
  readonly id: number;
  readonly what: WatchedId;
  readonly limit: number;
  readonly side: 'above' | 'below';
  readonly note: string;
}

/** What came with the instrument, and parts taken off at the bench. */
export interface JobThing {
  readonly id: number;
  readonly name: string;
  readonly state: string;
  /** the number of its bag, for a part taken off at the bench; null for what came with the instrument */
  readonly bag: number | null;
  readonly returnedAt: Date | null;
  readonly absence: string;
  readonly version: number;
}

/** Damage already there; `x` and `y` are shares of the drawing. */
export interface JobMark {
  readonly id: number;
  readonly view: View;
  readonly x: number;
  readonly y: number;
  readonly words: string;
  readonly markedBy: number;
  readonly version: number;
}

/** What was paid or given back, minor units. */
export interface JobPayment {
  readonly id: number;
  readonly kind: PaymentKind;
  readonly amountMinor: number;
  readonly how: string;
  readonly note: string;
  readonly byPerson: number | null;
  readonly at: Date;
  /** for one that was written down by mistake */
  readonly backAt: Date | null;
  readonly backBy: number | null;
  readonly backWhy: string;
  readonly version: number;
}

/** A numbered invoice; what it says stands on its paper. */
export interface JobInvoice {
  readonly number: number;
  /** the number of the one it cancels */
  readonly cancels: number | null;
  readonly reason: string;
  readonly madeBy: number;
  readonly madeAt: Date;
}

export interface JobPhoto {
  readonly id: number;
  readonly markId: number | null;
  readonly item: string | null;
  readonly digest: string;
  readonly width: number;
  readonly height: number;
  readonly takenBy: number;
  readonly takenAt: Date;
  /** since when the picture itself is no longer kept */
  readonly goneAt?: Date | null;
}

/** A clock of a line. */
/** A cut as it was logged, mm. */
export interface JobCut extends CutMade {
  readonly id: number;
  readonly lineId: number | null;
  readonly madeBy: number;
  readonly madeAt: Date;
  readonly version: number;
}

export interface JobClock {
  readonly id: number;
  readonly lineId: number;
  readonly personId: number;
  readonly startedAt: Date;
  readonly endedAt: Date | null;
  readonly correction: string;
}

export interface JobRemark {
  readonly id: number;
  readonly version: number;
  readonly lineId: number | null;
  readonly kind: 'note' | 'question';
  readonly words: string;
  readonly byPerson: number | null;
  readonly byCustomer: string;
  readonly toPerson: number | null;
  readonly at: Date;
  readonly answer: string | null;
  readonly answeredBy: number | null;
  readonly answeredAt: Date | null;
}

/** The job given into a colleague's hands. */
export interface JobPassing {
  readonly id: number;
  readonly fromPerson: number;
  readonly toPerson: number;
  readonly state: string;
  readonly tried: string;
  readonly beware: string;
  readonly stale: readonly string[];
  readonly at: Date;
}

export interface JobAccident {
  readonly id: number;
  readonly version: number;
  readonly happened: string;
  readonly remedy: string;
  readonly recordedBy: number;
  readonly at: Date;
}

/** A customer's way in; what opens it is never here. */
export interface JobLink {
  readonly id: number;
  readonly purpose: 'estimate' | 'sheet';
  readonly madeBy: number;
  readonly madeAt: Date;
  readonly expiresAt: Date;
  readonly withdrawnAt: Date | null;
}

/** An earlier signature the job was reopened after. */
export interface JobSeal {
  readonly number: number;
  readonly signer: string;
  readonly signedAt: Date;
  readonly digest: string;
  readonly tweak: string;
  readonly free: boolean;
  readonly reopenedAt: Date;
}

export interface JobMessage {
  readonly id: number;
  readonly purpose: string;
  readonly channel: 'mail' | 'text' | 'call';
  readonly state: 'waiting' | 'delivered' | 'failed';
  readonly trouble: string;
  /** what it went by: simulated, smtp, webhook, telephone; empty before it was tried */
  readonly wentBy: string;
  readonly madeAt: Date;
}

export interface JobTry {
  readonly id: number;
  readonly name: string;
  readonly moves: Moves;
  readonly madeBy: number;
  readonly version: number;
}

/** What a plan said of a place and what stood there when it was done, mm or cents. */
export interface JobResult {
  readonly place: string;
  readonly predicted: number;
  readonly achieved: number;
}

export interface JobOffer {
  readonly id: number;
  readonly content: OfferContent;
  readonly madeBy: number;
  readonly madeAt: Date;
  readonly expiresAt: Date;
  readonly withdrawnAt: Date | null;
  readonly choice: string | null;
  readonly choiceBy: string;
  readonly choiceHow: string;
  readonly choiceNote: string;
  readonly chosenAt: Date | null;
}

/** Another visit of the same instrument. */
export interface JobVisit {
  readonly number: number;
  readonly complaint: string;
  readonly takenInAt: Date;
  readonly closedAt: Date | null;
  /** the noise that was hunted then */
  readonly hunt?: Hunt | null | undefined;
}

/** A reading of one of the visits before this one. */
export interface EarlierReading extends Pick<Reading, 'key' | 'value' | 'takenAt'> {
  /** the number of the job it was taken on */
  readonly job: number;
}

/** What stood on a receipt. */
export interface SeenOnReceipt {
  readonly things: ReadonlyArray<{ readonly name: string; readonly state: string }>;
  readonly damage: string;
  /** the marks on the drawings, in their order; absent on receipts given before there were any */
  readonly marks?: readonly string[];
  readonly strings: string;
}

export interface JobReceipt {
  readonly seen: SeenOnReceipt;
  readonly name: string;
  readonly initials: string | null;
  readonly givenAt: Date;
}

/** What belongs to a job and only some screens and papers show: each is read where it is asked for. */
export interface JobParts {
  readonly customer: JobCustomer | null;
  readonly things: readonly JobThing[];
  readonly marks: readonly JobMark[];
  readonly photos: readonly JobPhoto[];
  /** in the order they were written down */
  readonly payments: readonly JobPayment[];
  /** by number */
  readonly invoices: readonly JobInvoice[];
  readonly clocks: readonly JobClock[];
  readonly cuts: readonly JobCut[];
  readonly remarks: readonly JobRemark[];
  readonly passings: readonly JobPassing[];
  readonly accidents: readonly JobAccident[];
  readonly links: readonly JobLink[];
  readonly seals: readonly JobSeal[];
  readonly messages: readonly JobMessage[];
  readonly tries: readonly JobTry[];
  readonly results: readonly JobResult[];
  readonly offers: readonly JobOffer[];
  /** the instrument's other visits, the newest first */
  readonly visits: readonly JobVisit[];
  /** readings of the last three visits before this one that stand for the instrument, the oldest first */
  readonly earlier: readonly EarlierReading[];
  /** what is watched on the instrument */
  readonly watches: readonly JobWatch[];
  /** the newest receipt that was initialled */
  readonly receipt: JobReceipt | null;
}

export type JobPart = keyof JobParts;

/** A job with some of its parts. */
export type JobWith<P extends JobPart> = Job & Pick<JobParts, P>;

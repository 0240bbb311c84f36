import type { ShopCare } from '../care/care.ts';
import type { HandOverRules } from '../hand-over/rules.ts';
import type { Checklist } from '../inspection/checklist.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Operation } from '../catalogue/operation.ts';
import type { PlanRules } from '../plan/plan-rules.ts';
import type { Role } from '../people/roles.ts';
import type { Feeling } from '../readings/entry-forms.ts';
import type { Opening } from '../days/opening.ts';
import type { DateForm } from '../days/say-days.ts';
import type { MoneyForm } from '../money/currency.ts';
import type { Minor } from '../money/minor.ts';
import type { Taxing } from '../money/tax.ts';
import type { Gauge } from '../readings/gauge.ts';
import type { Methods } from '../readings/methods.ts';
import type { Quantity } from '../readings/quantities.ts';
import type { WorkGroup } from '../readings/stations.ts';
import type { ShopTargets } from '../targets/shop-targets.ts';
import type { LengthUnit } from '../units/length-units.ts';

/**
 * What the shop is called and where it is, the words at the foot of its papers, how it writes money, its tax,
 * the unit its heights are shown in and the paper it prints on.
 */
export interface ShopInfo {
  readonly name: string;
  readonly currency: MoneyForm;
  readonly tax: Taxing;
  /** labour by the hour, and the least that is charged by it, minor units; null where the shop does not work by the hour */
  readonly hourly: Minor | null;
  readonly minimum: Minor;
  /** the number the first job gets */
  readonly firstNumber: number;
  /** where the shop’s days begin and end, after IANA */
  readonly zone: string;
  /** how days are written, and with which a week begins */
  readonly dates: DateForm;
  readonly firstWeekday: 'monday' | 'sunday' | 'saturday';
  readonly heights: '64ths' | 'thou' | 'mm';
  /** lines of an address, one a line */
  readonly address: string;
  readonly phone: string;
  readonly email: string;
  readonly web: string;
  readonly foot: string;
  readonly paper: 'A4' | 'LETTER';
}

/** How the shop reads. */
export interface ShopHabits {
  readonly methods: Methods;
  readonly order: WorkGroup[];
  readonly firstString: 'lowest' | 'highest';
  readonly units: Partial<Record<Quantity, LengthUnit>>;
  readonly gauges: Partial<Record<Quantity, number>>;
  readonly feelings: Feeling[];
}

/** A kind as the shop offers it: one that ships, or one of its own, which goes by a shipped one's rules. */
export interface OfferedKind {
  readonly id: string;
  readonly name: string;
  readonly usual: Construction;
  readonly own: boolean;
  /** no longer offered at the counter; what is of it goes on */
  readonly retired: boolean;
  readonly version: number;
}

/** Somebody of the shop. */
export interface ShopPerson {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly active: boolean;
}

/** Everything of the shop that is not a job: its rules, what it offers, its people. It changes seldom. */
export interface Shop {
  readonly info: ShopInfo;
  readonly rules: HandOverRules;
  readonly opening: Opening;
  readonly habits: ShopHabits;
  readonly planning: PlanRules;
  readonly targets: ShopTargets;
  /** what may touch what, where the shop says it otherwise than the trade */
  readonly care: ShopCare;
  readonly catalogue: readonly Operation[];
  readonly kinds: readonly OfferedKind[];
  readonly gauges: readonly (Gauge & { readonly retired: boolean; readonly version: number })[];
  /** by name */
  readonly people: readonly ShopPerson[];
  /** by list */
  readonly checklists: readonly Checklist[];
}

/** What a person is called, by their number; nothing for nobody. */
export type NameOf = (id: number | null) => string;

/** The shop's people by their numbers. */
export function namesOf({ people }: Pick<Shop, 'people'>): NameOf {
  const names = new Map(people.map((p) => [p.id, p.name]));
  return (id) => (id === null ? '' : (names.get(id) ?? ''));
}

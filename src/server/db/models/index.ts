import type { Model, Sequelize } from 'sequelize';
import {
  initPeople,
  Setting,
  Person,
  Device,
  PairingCode,
  Session,
  PinTroubleRow,
  Presence,
} from './people.ts';
import { initShop, initShopFiles, ShopFile, Customer, Instrument, Place } from './shop.ts';
import { initJobs, Job, JobItem } from './jobs.ts';
import { initInspections, ChecklistRow, Inspection, InspectionAnswer } from './inspections.ts';
import { initReadings, JobTarget, KeptSound, ReadingRow, Round } from './readings.ts';
import {
  Accident,
  CustomerLink,
  EarlierSeal,
  HandOn,
  initBench,
  MessageRow,
  Notice,
  Remark,
} from './bench.ts';
import { initCustody, Mark, Photo, PhotoFile, UploadRow, UploadPiece } from './custody.ts';
import { initGauges, GaugeRow, TargetVersion } from './gauges.ts';
import { initMerges, KindRow, Merge } from './merges.ts';
import { initPlans, Offer, OperationVersion, PlanChoice, PlanResult, WhatIf } from './plans.ts';
import { initPayments, InvoiceRow, PaymentRow } from './payments.ts';
import { initReceipts, Receipt } from './receipts.ts';
import { initStrings, StringChange } from './strings.ts';
import { initLedger, LedgerRow } from './ledger.ts';
import { Afterward, initBiography, InsidePart, KeptPart, Originality, Watch } from './biography.ts';
import { AirHour, AirLog, initAir } from './air.ts';
import { initOrders, OrderHead, OrderLine, StockWantRow, Supplier } from './orders.ts';
import { CareVersion, initCare } from './care.ts';
import { initStock, StockAside, StockItem, StockMoveRow } from './stock.ts';
import { initViews, SavedView } from './views.ts';
import { initPractice, PracticeActRow, PracticeSession } from './practice.ts';
import { ActRow, initLearned, KindNumber } from './learned.ts';
import { BroughtIn, initBroughtIn } from './brought-in.ts';
import { FailureRow, initFailures } from './failures.ts';
import { initUpkeep, UpkeepRun } from './upkeep.ts';
import {
  Absence,
  ExtraHours,
  initWeek,
  JobDate,
  PlanMove,
  PlannedStep,
  PromiseRow,
  StepPut,
  WeekFeed,
} from './week.ts';
import { initWork, Decision, WorkLine, TimeEntry, HandOver, RodTurn, CutRow } from './work.ts';
import { initEvents, CommandRow, EventRow, EventWords } from './events.ts';

const ALL = {
  Setting,
  UpkeepRun,
  FailureRow,
  BroughtIn,
  PlannedStep,
  PlanMove,
  StepPut,
  Absence,
  ExtraHours,
  PromiseRow,
  JobDate,
  WeekFeed,
  LedgerRow,
  ActRow,
  KindNumber,
  Watch,
  Afterward,
  Originality,
  KeptPart,
  InsidePart,
  SavedView,
  PracticeSession,
  PracticeActRow,
  AirLog,
  AirHour,
  StockItem,
  StockAside,
  StockMoveRow,
  CareVersion,
  Supplier,
  OrderHead,
  OrderLine,
  StockWantRow,
  Person,
  Device,
  PairingCode,
  Session,
  PinTroubleRow,
  Presence,
  Customer,
  Instrument,
  Place,
  Job,
  JobItem,
  ChecklistRow,
  Inspection,
  InspectionAnswer,
  Round,
  ReadingRow,
  JobTarget,
  KeptSound,
  GaugeRow,
  TargetVersion,
  WhatIf,
  PlanChoice,
  PlanResult,
  Offer,
  OperationVersion,
  Decision,
  WorkLine,
  TimeEntry,
  RodTurn,
  CutRow,
  HandOver,
  StringChange,
  PaymentRow,
  InvoiceRow,
  Receipt,
  Merge,
  KindRow,
  Mark,
  Photo,
  PhotoFile,
  ShopFile,
  UploadRow,
  UploadPiece,
  Remark,
  Notice,
  HandOn,
  Accident,
  CustomerLink,
  EarlierSeal,
  MessageRow,
  CommandRow,
  EventRow,
  EventWords,
};

/** Every model by name: reach them through the open database, never by importing a class. */
export type Models = typeof ALL;

/** A class of a connection's own: what is bound to one connection says nothing of another. */
const derive = (base: (typeof ALL)[keyof typeof ALL]): unknown => class extends (base as ModelClass) {};
type ModelClass = new () => Model;

/** Defines all models on a connection: each connection has classes of its own. */
export function defineModels(sequelize: Sequelize): Models {
  const own = Object.fromEntries(
    Object.entries(ALL).map(([name, base]) => [name, derive(base)]),
  ) as unknown as Models;
  initPeople(sequelize, own);
  initShop(sequelize, own);
  initShopFiles(sequelize, own);
  initJobs(sequelize, own);
  initInspections(sequelize, own);
  initReadings(sequelize, own);
  initWork(sequelize, own);
  initStrings(sequelize, own);
  initPayments(sequelize, own);
  initReceipts(sequelize, own);
  initCustody(sequelize, own);
  initMerges(sequelize, own);
  initGauges(sequelize, own);
  initPlans(sequelize, own);
  initBench(sequelize, own);
  initEvents(sequelize, own);
  initUpkeep(sequelize, own);
  initBroughtIn(sequelize, own);
  initFailures(sequelize, own);
  initWeek(sequelize, own);
  initLedger(sequelize, own);
  initLearned(sequelize, own);
  initBiography(sequelize, own);
  initViews(sequelize, own);
  initPractice(sequelize, own);
  initAir(sequelize, own);
  initStock(sequelize, own);
  initOrders(sequelize, own);
  initCare(sequelize, own);
  return own;
}

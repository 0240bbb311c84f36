import type { Sequelize } from 'sequelize';
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
import { initShop, Customer, Instrument, Place } from './shop.ts';
import { initJobs, Job, JobItem } from './jobs.ts';
import { initInspections, ChecklistRow, Inspection, InspectionAnswer } from './inspections.ts';
import { initReadings, Round, ReadingRow, JobTarget } from './readings.ts';
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
import { initReceipts, Receipt } from './receipts.ts';
import { initStrings, StringChange } from './strings.ts';
import { initWork, Decision, WorkLine, TimeEntry, HandOver } from './work.ts';
import { initEvents, CommandRow, EventRow } from './events.ts';

const ALL = {
  Setting,
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
  HandOver,
  StringChange,
  Receipt,
  Merge,
  KindRow,
  Mark,
  Photo,
  PhotoFile,
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
};

/** Every model by name: reach them through the open database, never by importing a class. */
export type Models = typeof ALL;

/** Defines all models on a connection. */
export function defineModels(sequelize: Sequelize): Models {
  initPeople(sequelize);
  initShop(sequelize);
  initJobs(sequelize);
  initInspections(sequelize);
  initReadings(sequelize);
  initWork(sequelize);
  initStrings(sequelize);
  initReceipts(sequelize);
  initCustody(sequelize);
  initMerges(sequelize);
  initGauges(sequelize);
  initPlans(sequelize);
  initBench(sequelize);
  initEvents(sequelize);
  return ALL;
}

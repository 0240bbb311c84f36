import { shelfDropView, shelfKeepView } from './shelf/views.ts';
import { shelfWatch, shelfChangeWatch } from './shelf/watch.ts';
import { shelfChangeInside, shelfInside } from './shelf/inside.ts';
import { shelfOriginality, shelfKeepPart, shelfChangePart } from './shelf/parts.ts';
import { deskAfterwards } from './desk/afterwards.ts';
import type { z } from 'zod';
import { custodyBag } from './custody/bag.ts';
import { custodyChangeMark } from './custody/change-mark.ts';
import { custodyMark } from './custody/mark.ts';
import { custodyRemovePhoto } from './custody/remove-photo.ts';
import { devicesCode } from './devices/code.ts';
import { devicesRename } from './devices/rename.ts';
import { devicesRevoke } from './devices/revoke.ts';
import { custodyThing } from './custody/thing.ts';
import { deskChangeCustomer } from './desk/change-customer.ts';
import { deskCorrect } from './desk/correct.ts';
import { deskCalled } from './desk/called.ts';
import { deskMessage } from './desk/message.ts';
import { deskReceipt } from './desk/receipt.ts';
import { deskResend } from './desk/resend.ts';
import { deskTakeIn } from './desk/take-in.ts';
import { handOverAdvice } from './hand-over/advice.ts';
import { handOverCheck } from './hand-over/check.ts';
import { handOverEnd } from './hand-over/end.ts';
import { handOverEnding } from './hand-over/ending.ts';
import { handOverReopen } from './hand-over/reopen.ts';
import { handOverTakeBackPayment } from './hand-over/take-back-payment.ts';
import { handOverInvoice } from './hand-over/invoice.ts';
import { handOverCancelInvoice } from './hand-over/cancel-invoice.ts';
import { handOverPaid } from './hand-over/paid.ts';
import { handOverReturn } from './hand-over/return.ts';
import { handOverSecond } from './hand-over/second.ts';
import { handOverSign } from './hand-over/sign.ts';
import { handOverTweak } from './hand-over/tweak.ts';
import { houseCheckGauge } from './house/check-gauge.ts';
import { houseSaveChecklist } from './house/save-checklist.ts';
import { houseSaveGateway } from './house/save-gateway.ts';
import { houseSaveGauge } from './house/save-gauge.ts';
import { houseSaveDoors } from './house/save-doors.ts';
import { houseSaveCopies } from './house/save-copies.ts';
import { houseSavePeriods } from './house/save-periods.ts';
import { houseSaveHabits } from './house/save-habits.ts';
import { houseDeleteKind } from './house/delete-kind.ts';
import { houseRetireKind } from './house/retire-kind.ts';
import { houseFirstDay } from './house/first-day.ts';
import { houseSavePlaces } from './house/save-places.ts';
import { houseSaveOpening } from './house/save-opening.ts';
import { houseSaveMessages } from './house/save-messages.ts';
import { houseSaveKind } from './house/save-kind.ts';
import { houseSaveOperations } from './house/save-operations.ts';
import { houseBringAir, houseTakeBackAir } from './house/air.ts';
import { houseTakeLearned } from './house/take-learned.ts';
import { storesMove } from './stores/move.ts';
import { storesSaveItem } from './stores/save-item.ts';
import { houseSaveCare } from './house/save-care.ts';
import { storesImport } from './stores/import.ts';
import { storesSaveOrder } from './stores/save-order.ts';
import { storesPlaceOrder } from './stores/place-order.ts';
import { storesOrderCame } from './stores/order-came.ts';
import { storesEndOrder } from './stores/end-order.ts';
import { storesSaveSupplier } from './stores/save-supplier.ts';
import { storesWant } from './stores/want.ts';
import { storesTake } from './stores/take.ts';
import { practiceBegin, practiceSet } from './practice/begin.ts';
import { practiceDo, practiceDrop, practiceEnd } from './practice/do.ts';
import { houseSavePlanning } from './house/save-planning.ts';
import { houseSaveRules } from './house/save-rules.ts';
import { houseSaveShop } from './house/save-shop.ts';
import { houseSaveTargets } from './house/save-targets.ts';
import { inspectionAnswer } from './inspection/answer.ts';
import { inspectionChooseList } from './inspection/choose-list.ts';
import { inspectionFinish } from './inspection/finish.ts';
import { peopleLeave } from './people/leave.ts';
import { peopleOwnPin } from './people/own-pin.ts';
import { peopleSave } from './people/save.ts';
import { peopleSeen } from './people/seen.ts';
import { peopleSetPin } from './people/set-pin.ts';
import { peopleSignOut } from './people/sign-out.ts';
import { planAdd } from './plan/add.ts';
import { planChoose } from './plan/choose.ts';
import { planDecide } from './plan/decide.ts';
import { planDropTry } from './plan/drop-try.ts';
import { huntBegin } from './hunt/begin.ts';
import { huntEnd } from './hunt/end.ts';
import { huntTakeBack } from './hunt/take-back.ts';
import { huntTry } from './hunt/try.ts';
import { planHear } from './plan/hear.ts';
import { planKeepTry } from './plan/keep-try.ts';
import { planOffer } from './plan/offer.ts';
import { planTakeOption } from './plan/take-option.ts';
import { planRecordChoice } from './plan/record-choice.ts';
import { planTarget } from './plan/target.ts';
import { planOfferLink } from './plan/offer-link.ts';
import { planWithdrawOffer } from './plan/withdraw-offer.ts';
import { planWorth } from './plan/worth.ts';
import { rackMove } from './rack/move.ts';
import { readingsConditions } from './readings/conditions.ts';
import { readingsCopyForward } from './readings/copy-forward.ts';
import { readingsSave } from './readings/save.ts';
import { readingsTakeBack } from './readings/take-back.ts';
import { shelfChangeInstrument } from './shelf/change-instrument.ts';
import { shelfImportCustomers } from './shelf/import-customers.ts';
import { shelfImportInstruments } from './shelf/import-instruments.ts';
import { shelfSell } from './shelf/sell.ts';
import { shelfEraseCustomer } from './shelf/erase-customer.ts';
import { shelfMerge } from './shelf/merge.ts';
import { shelfTakeBack } from './shelf/take-back.ts';
import { shelfUndoMerge } from './shelf/undo-merge.ts';
import { stringsOff } from './strings/off.ts';
import { stringsOn } from './strings/on.ts';
import { workAccident } from './work/accident.ts';
import { workAnswer } from './work/answer.ts';
import { workAnswerAll } from './work/answer-all.ts';
import { workAskChange } from './work/ask-change.ts';
import { workChangeAccident } from './work/change-accident.ts';
import { workCorrectClock } from './work/correct-clock.ts';
import { workDiscount } from './work/discount.ts';
import { workPrice } from './work/price.ts';
import { workHandOn } from './work/hand-on.ts';
import { workLink } from './work/link.ts';
import { workMove } from './work/move.ts';
import { workRemark } from './work/remark.ts';
import { workReply } from './work/reply.ts';
import { workStep } from './work/step.ts';
import { workTakeBackTurn } from './work/take-back-turn.ts';
import { workCut } from './work/cut.ts';
import { workTakeBackCut } from './work/take-back-cut.ts';
import { workTurn } from './work/turn.ts';
import { workWithdrawLink } from './work/withdraw-link.ts';
import { houseSaveWeek } from './house/save-week.ts';
import { weekAway } from './week/away.ts';
import { weekBack } from './week/back.ts';
import { weekEndFeed } from './week/end-feed.ts';
import { weekFeed } from './week/feed.ts';
import { weekLonger } from './week/longer.ts';
import { weekNotLonger } from './week/not-longer.ts';
import { weekPromise } from './week/promise.ts';
import { weekPut } from './week/put.ts';
import { weekTake } from './week/take.ts';

/** Every command a screen can give, by its name. */
export const COMMANDS = {
  'desk.take-in': deskTakeIn,
  'desk.receipt': deskReceipt,
  'desk.correct': deskCorrect,
  'custody.mark': custodyMark,
  'custody.change-mark': custodyChangeMark,
  'custody.remove-photo': custodyRemovePhoto,
  'custody.bag': custodyBag,
  'custody.thing': custodyThing,
  'desk.change-customer': deskChangeCustomer,
  'rack.move': rackMove,
  'inspection.answer': inspectionAnswer,
  'inspection.finish': inspectionFinish,
  'inspection.choose-list': inspectionChooseList,
  'shelf.import-customers': shelfImportCustomers,
  'shelf.import-instruments': shelfImportInstruments,
  'shelf.merge': shelfMerge,
  'shelf.erase-customer': shelfEraseCustomer,
  'shelf.sell': shelfSell,
  'shelf.undo-merge': shelfUndoMerge,
  'shelf.take-back': shelfTakeBack,
  'shelf.change-instrument': shelfChangeInstrument,
  'house.save-kind': houseSaveKind,
  'house.save-messages': houseSaveMessages,
  'house.save-places': houseSavePlaces,
  'house.first-day': houseFirstDay,
  'house.retire-kind': houseRetireKind,
  'house.delete-kind': houseDeleteKind,
  'house.save-checklist': houseSaveChecklist,
  'house.save-habits': houseSaveHabits,
  'house.save-opening': houseSaveOpening,
  'house.save-periods': houseSavePeriods,
  'house.save-copies': houseSaveCopies,
  'house.save-doors': houseSaveDoors,
  'house.save-gauge': houseSaveGauge,
  'house.check-gauge': houseCheckGauge,
  'house.save-targets': houseSaveTargets,
  'house.save-operations': houseSaveOperations,
  'strings.off': stringsOff,
  'strings.on': stringsOn,
  'readings.conditions': readingsConditions,
  'readings.save': readingsSave,
  'readings.take-back': readingsTakeBack,
  'readings.copy-forward': readingsCopyForward,
  'plan.target': planTarget,
  'plan.decide': planDecide,
  'plan.add': planAdd,
  'plan.keep-try': planKeepTry,
  'plan.drop-try': planDropTry,
  'plan.hear': planHear,
  'hunt.begin': huntBegin,
  'hunt.try': huntTry,
  'hunt.take-back': huntTakeBack,
  'hunt.end': huntEnd,
  'plan.worth': planWorth,
  'plan.choose': planChoose,
  'plan.offer': planOffer,
  'plan.take-option': planTakeOption,
  'plan.offer-link': planOfferLink,
  'house.save-week': houseSaveWeek,
  'week.put': weekPut,
  'week.feed': weekFeed,
  'week.end-feed': weekEndFeed,
  'week.away': weekAway,
  'week.back': weekBack,
  'week.longer': weekLonger,
  'week.not-longer': weekNotLonger,
  'week.promise': weekPromise,
  'week.take': weekTake,
  'plan.withdraw-offer': planWithdrawOffer,
  'plan.record-choice': planRecordChoice,
  'work.answer': workAnswer,
  'work.answer-all': workAnswerAll,
  'work.discount': workDiscount,
  'work.price': workPrice,
  'work.step': workStep,
  'work.turn': workTurn,
  'work.cut': workCut,
  'work.take-back-cut': workTakeBackCut,
  'work.take-back-turn': workTakeBackTurn,
  'work.move': workMove,
  'work.ask-change': workAskChange,
  'work.remark': workRemark,
  'work.reply': workReply,
  'work.hand-on': workHandOn,
  'work.accident': workAccident,
  'work.change-accident': workChangeAccident,
  'work.correct-clock': workCorrectClock,
  'work.link': workLink,
  'work.withdraw-link': workWithdrawLink,
  'hand-over.second': handOverSecond,
  'hand-over.advice': handOverAdvice,
  'hand-over.end': handOverEnd,
  'hand-over.ending': handOverEnding,
  'hand-over.reopen': handOverReopen,
  'hand-over.take-back-payment': handOverTakeBackPayment,
  'hand-over.invoice': handOverInvoice,
  'hand-over.cancel-invoice': handOverCancelInvoice,
  'hand-over.paid': handOverPaid,
  'hand-over.tweak': handOverTweak,
  'desk.called': deskCalled,
  'desk.message': deskMessage,
  'desk.resend': deskResend,
  'people.seen': peopleSeen,
  'people.save': peopleSave,
  'people.set-pin': peopleSetPin,
  'people.own-pin': peopleOwnPin,
  'people.leave': peopleLeave,
  'people.sign-out': peopleSignOut,
  'devices.code': devicesCode,
  'devices.rename': devicesRename,
  'devices.revoke': devicesRevoke,
  'shelf.watch': shelfWatch,
  'shelf.change-watch': shelfChangeWatch,
  'shelf.originality': shelfOriginality,
  'shelf.keep-part': shelfKeepPart,
  'shelf.change-part': shelfChangePart,
  'shelf.inside': shelfInside,
  'shelf.change-inside': shelfChangeInside,
  'desk.afterwards': deskAfterwards,
  'shelf.keep-view': shelfKeepView,
  'shelf.drop-view': shelfDropView,
  'house.take-learned': houseTakeLearned,
  'house.bring-air': houseBringAir,
  'house.take-back-air': houseTakeBackAir,
  'stores.save-item': storesSaveItem,
  'house.save-care': houseSaveCare,
  'stores.move': storesMove,
  'stores.import': storesImport,
  'stores.save-order': storesSaveOrder,
  'stores.place-order': storesPlaceOrder,
  'stores.order-came': storesOrderCame,
  'stores.end-order': storesEndOrder,
  'stores.save-supplier': storesSaveSupplier,
  'stores.want': storesWant,
  'stores.take': storesTake,
  'practice.begin': practiceBegin,
  'practice.set': practiceSet,
  'practice.do': practiceDo,
  'practice.end': practiceEnd,
  'practice.drop': practiceDrop,
  'house.save-planning': houseSavePlanning,
  'house.save-shop': houseSaveShop,
  'house.save-rules': houseSaveRules,
  'house.save-gateway': houseSaveGateway,
  'hand-over.check': handOverCheck,
  'hand-over.return': handOverReturn,
  'hand-over.sign': handOverSign,
} as const;

export type CommandName = keyof typeof COMMANDS;
export type CommandInput<N extends CommandName> = z.infer<(typeof COMMANDS)[N]['input']>;
/** What a command answers when it is done. */
export type CommandAnswer<N extends CommandName> = ReturnType<(typeof COMMANDS)[N]['answer']>;

type OfCommands = (typeof COMMANDS)[CommandName]['events'][number];

/** What is recorded without a command: by a customer's link, by uploads, by the gateway, by a job's file. */
export const OTHER_EVENTS = [
  'photo added',
  'logo changed',
  'message delivered',
  'message failed',
  'job brought in',
] as const;

/** The kind of an event: the words the history says. */
export type EventKind = OfCommands | (typeof OTHER_EVENTS)[number];

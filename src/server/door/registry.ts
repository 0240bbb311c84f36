import { dropView, keepView } from '../find/views.ts';
import { beginPractice, setPractice } from '../practice/begin.ts';
import { doPractice, dropPractice, endPractice } from '../practice/do.ts';
import { setWatch, changeWatch } from '../shelf/watches.ts';
import { changeInside, sayInside } from '../shelf/inside.ts';
import { sayOriginality, keepPart, changePart } from '../shelf/parts.ts';
import { noteAfterwards } from '../desk/note-afterwards.ts';
import type { CommandName } from '../../contracts/commands/commands.ts';
import { correctThing } from '../custody/correct-thing.ts';
import { changeCustomer } from '../desk/change-customer.ts';
import { bagPart } from '../custody/bag-part.ts';
import { changeMark } from '../custody/change-mark.ts';
import { markDamage } from '../custody/mark-damage.ts';
import { removePhoto } from '../custody/remove-photo.ts';
import { correctJob } from '../desk/correct-job.ts';
import { giveReceipt } from '../desk/give-receipt.ts';
import { moveJob } from '../desk/move-job.ts';
import { takeIn } from '../desk/take-in.ts';
import { checkBench } from '../hand-over/check-bench.ts';
import { returnItem } from '../hand-over/return-item.ts';
import { sign } from '../hand-over/sign.ts';
import { importCustomers, importInstruments } from '../exchange/import-book.ts';
import { takeBack } from '../exchange/take-back.ts';
import { changeInstrument } from '../shelf/change-instrument.ts';
import { sellInstrument } from '../shelf/sell.ts';
import { eraseCustomer } from '../privacy/erase-customer.ts';
import { mergeRows, undoMerge } from '../shelf/merge.ts';
import { saveChecklist } from '../house/save-checklist.ts';
import { checkGauge, saveGauge } from '../house/save-gauge.ts';
import { saveOpening } from '../house/opening.ts';
import { saveDoors } from '../house/save-doors.ts';
import { saveCopies } from '../upkeep/copy-habits.ts';
import { savePeriods } from '../privacy/save-periods.ts';
import { saveHabits } from '../house/save-habits.ts';
import { saveMessages } from '../messages/settings.ts';
import { saveFirstDay } from '../house/first-day.ts';
import { savePlaces } from '../house/save-places.ts';
import { deleteKind, retireKind, saveKind } from '../house/save-kind.ts';
import { saveTargets } from '../house/save-targets.ts';
import { answerItem } from '../inspection/answer-item.ts';
import { chooseList } from '../inspection/choose-list.ts';
import { finishInspection } from '../inspection/finish-inspection.ts';
import { choosePlan } from '../plan/choose-plan.ts';
import { dropTry, keepTry } from '../plan/keep-try.ts';
import { takeOption } from '../plan/take-option.ts';
import { promiseDay, putStep, sayAway, takeAwayBack, takePlan } from '../week/change-week.ts';
import { notLonger, sayLonger } from '../week/longer.ts';
import { endFeed, makeFeed } from '../week/feed.ts';
import { saveWeekRules } from '../week/week-rules.ts';
import { linkOffer, makeOffer, recordChoice, withdrawOffer } from '../plan/offers.ts';
import { beginHunt, endHunt, takeBackTry, tryNoise } from '../hunt/hunts.ts';
import { hearPlace } from '../plan/hear-place.ts';
import { setWorth } from '../plan/set-worth.ts';
import { saveOperations } from '../house/save-operations.ts';
import { addLine } from '../plan/add-line.ts';
import { decideLine } from '../plan/decide-line.ts';
import { setTarget } from '../plan/set-target.ts';
import { copyReadingsForward } from '../readings/copy-forward.ts';
import { saveReading } from '../readings/save-reading.ts';
import { takeReadingBack } from '../readings/take-back.ts';
import { setConditions } from '../readings/set-conditions.ts';
import { putStringsOn } from '../strings/put-on.ts';
import { takeStringsOff } from '../strings/take-off.ts';
import { makeLink, withdrawLink } from '../links/customer-link.ts';
import { saveAdvice } from '../hand-over/advice.ts';
import { endJob, reopenJob, sayEnding } from '../hand-over/endings.ts';
import { cancelInvoice, makeInvoice } from '../hand-over/invoices.ts';
import { recordPayment, takeBackPayment } from '../hand-over/payments.ts';
import { secondCheck } from '../hand-over/second-check.ts';
import { askTweak } from '../hand-over/tweak.ts';
import { bringAir, takeBackAir } from '../air/bring-air.ts';
import { takeLearned } from '../learn/take-learned.ts';
import { moveStock } from '../stores/move-stock.ts';
import { saveCare } from '../house/save-care.ts';
import { saveItem } from '../stores/save-item.ts';
import { importStock } from '../stores/import-stock.ts';
import { endOrder, placeOrder, saveOrder, saveSupplier } from '../stores/orders.ts';
import { orderCame } from '../stores/order-came.ts';
import { takeForStep, wantPart } from '../stores/want.ts';
import { savePlanning } from '../house/save-planning.ts';
import { saveGateway, saveRules, saveShop } from '../house/save-rules.ts';
import { noteCall } from '../messages/note-call.ts';
import { resendMessage, sendMessage } from '../messages/send-message.ts';
import { makeCode, renameDevice, revokeDevice } from '../devices/devices.ts';
import { leaveShop, savePerson, setOwnPin, setPin, signOutEverywhere } from '../people/staff.ts';
import { seeNotices } from '../people/notices.ts';
import { changeAccident, recordAccident } from '../work/accidents.ts';
import { answerAll, answerLine } from '../work/answer-line.ts';
import { askChange } from '../work/ask-change.ts';
import { correctClock } from '../work/correct-clock.ts';
import { handOn } from '../work/hand-on.ts';
import { moveLine } from '../work/move-line.ts';
import { makeRemark, replyTo } from '../work/remarks.ts';
import { priceLine } from '../work/price-line.ts';
import { setDiscount } from '../work/set-discount.ts';
import { stepLine } from '../work/step-line.ts';
import { logCut, takeBackCut } from '../work/cuts.ts';
import { logTurn, takeBackTurn } from '../work/turns.ts';
import type { UseCase } from '../use-case/use-case.ts';

/** Every use case by its command's name. */
export const USE_CASES: { readonly [N in CommandName]: UseCase<N> } = {
  'desk.take-in': takeIn,
  'desk.receipt': giveReceipt,
  'desk.correct': correctJob,
  'custody.mark': markDamage,
  'custody.change-mark': changeMark,
  'custody.remove-photo': removePhoto,
  'custody.bag': bagPart,
  'custody.thing': correctThing,
  'desk.change-customer': changeCustomer,
  'rack.move': moveJob,
  'inspection.answer': answerItem,
  'inspection.finish': finishInspection,
  'inspection.choose-list': chooseList,
  'shelf.import-customers': importCustomers,
  'shelf.import-instruments': importInstruments,
  'shelf.merge': mergeRows,
  'shelf.erase-customer': eraseCustomer,
  'shelf.sell': sellInstrument,
  'shelf.undo-merge': undoMerge,
  'shelf.take-back': takeBack,
  'shelf.change-instrument': changeInstrument,
  'house.save-kind': saveKind,
  'house.save-messages': saveMessages,
  'house.save-places': savePlaces,
  'house.first-day': saveFirstDay,
  'house.retire-kind': retireKind,
  'house.delete-kind': deleteKind,
  'house.save-checklist': saveChecklist,
  'house.save-habits': saveHabits,
  'house.save-opening': saveOpening,
  'house.save-periods': savePeriods,
  'house.save-copies': saveCopies,
  'house.save-doors': saveDoors,
  'house.save-gauge': saveGauge,
  'house.check-gauge': checkGauge,
  'house.save-targets': saveTargets,
  'house.save-operations': saveOperations,
  'strings.off': takeStringsOff,
  'strings.on': putStringsOn,
  'readings.conditions': setConditions,
  'readings.save': saveReading,
  'readings.take-back': takeReadingBack,
  'readings.copy-forward': copyReadingsForward,
  'plan.target': setTarget,
  'plan.decide': decideLine,
  'plan.add': addLine,
  'plan.keep-try': keepTry,
  'plan.drop-try': dropTry,
  'plan.hear': hearPlace,
  'hunt.begin': beginHunt,
  'hunt.try': tryNoise,
  'hunt.take-back': takeBackTry,
  'hunt.end': endHunt,
  'plan.worth': setWorth,
  'plan.choose': choosePlan,
  'plan.offer': makeOffer,
  'plan.take-option': takeOption,
  'plan.offer-link': linkOffer,
  'house.save-week': saveWeekRules,
  'week.put': putStep,
  'week.feed': makeFeed,
  'week.end-feed': endFeed,
  'week.away': sayAway,
  'week.back': takeAwayBack,
  'week.longer': sayLonger,
  'week.not-longer': notLonger,
  'week.promise': promiseDay,
  'week.take': takePlan,
  'plan.withdraw-offer': withdrawOffer,
  'plan.record-choice': recordChoice,
  'work.answer': answerLine,
  'work.answer-all': answerAll,
  'work.discount': setDiscount,
  'work.price': priceLine,
  'work.step': stepLine,
  'work.turn': logTurn,
  'work.cut': logCut,
  'work.take-back-cut': takeBackCut,
  'work.take-back-turn': takeBackTurn,
  'work.move': moveLine,
  'work.ask-change': askChange,
  'work.remark': makeRemark,
  'work.reply': replyTo,
  'work.hand-on': handOn,
  'work.accident': recordAccident,
  'work.change-accident': changeAccident,
  'work.correct-clock': correctClock,
  'work.link': makeLink,
  'work.withdraw-link': withdrawLink,
  'hand-over.second': secondCheck,
  'hand-over.advice': saveAdvice,
  'hand-over.paid': recordPayment,
  'hand-over.take-back-payment': takeBackPayment,
  'hand-over.invoice': makeInvoice,
  'hand-over.cancel-invoice': cancelInvoice,
  'hand-over.ending': sayEnding,
  'hand-over.end': endJob,
  'hand-over.reopen': reopenJob,
  'hand-over.tweak': askTweak,
  'desk.called': noteCall,
  'desk.message': sendMessage,
  'desk.resend': resendMessage,
  'people.seen': seeNotices,
  'people.save': savePerson,
  'people.set-pin': setPin,
  'people.own-pin': setOwnPin,
  'people.leave': leaveShop,
  'people.sign-out': signOutEverywhere,
  'devices.code': makeCode,
  'devices.rename': renameDevice,
  'devices.revoke': revokeDevice,
  'shelf.watch': setWatch,
  'shelf.change-watch': changeWatch,
  'shelf.originality': sayOriginality,
  'shelf.keep-part': keepPart,
  'shelf.change-part': changePart,
  'shelf.inside': sayInside,
  'shelf.change-inside': changeInside,
  'desk.afterwards': noteAfterwards,
  'shelf.keep-view': keepView,
  'shelf.drop-view': dropView,
  'house.take-learned': takeLearned,
  'house.bring-air': bringAir,
  'house.take-back-air': takeBackAir,
  'stores.save-item': saveItem,
  'house.save-care': saveCare,
  'stores.move': moveStock,
  'stores.import': importStock,
  'stores.save-order': saveOrder,
  'stores.place-order': placeOrder,
  'stores.order-came': orderCame,
  'stores.end-order': endOrder,
  'stores.save-supplier': saveSupplier,
  'stores.want': wantPart,
  'stores.take': takeForStep,
  'practice.begin': beginPractice,
  'practice.set': setPractice,
  'practice.do': doPractice,
  'practice.end': endPractice,
  'practice.drop': dropPractice,
  'house.save-planning': savePlanning,
  'house.save-shop': saveShop,
  'house.save-rules': saveRules,
  'house.save-gateway': saveGateway,
  'hand-over.check': checkBench,
  'hand-over.return': returnItem,
  'hand-over.sign': sign,
};

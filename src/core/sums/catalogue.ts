import { neckAngleSum, neckResetSum, shimSum } from './angle-sums.ts';
import { clearanceSum } from './clearance-sum.ts';
import { fanFretsSum } from './fan-sum.ts';
import { fretLevelSum } from './fret-sums.ts';
import { contactFitSum, intonationFitSum, intonationSaddleSum } from './intonation-sums.ts';
import { lengthSum } from './length.ts';
import {
  fretPositionSum,
  reliefConvertSum,
  rodToActionSum,
  stringLineSum,
  trussTurnSum,
} from './neck-sums.ts';
import { neckProfileSum } from './neck-profile-sum.ts';
import { nutLayoutSum, nutSlotSum } from './nut-sums.ts';
import { pilotHoleSum } from './pilot-hole-sum.ts';
import { pluckReachSum } from './pluck-sum.ts';
import { tensionToReliefSum } from './pull-sums.ts';
import { breakAngleSum, saddleHeightSum, saddleTopSum, slotFloorSum } from './saddle-sums.ts';
import { predictedIntonationSum, stringTensionSum } from './string-sums.ts';
import type { Sum } from './sum.ts';

/** All sums of the house, in the order a setup goes. */
export const SUMS = [
  lengthSum,
  fretPositionSum,
  fanFretsSum,
  stringLineSum,
  saddleHeightSum,
  nutSlotSum,
  reliefConvertSum,
  neckProfileSum,
  trussTurnSum,
  rodToActionSum,
  intonationSaddleSum,
  intonationFitSum,
  contactFitSum,
  stringTensionSum,
  tensionToReliefSum,
  predictedIntonationSum,
  breakAngleSum,
  neckAngleSum,
  shimSum,
  neckResetSum,
  slotFloorSum,
  fretLevelSum,
  clearanceSum,
  pluckReachSum,
  nutLayoutSum,
  saddleTopSum,
  pilotHoleSum,
] as unknown as ReadonlyArray<Sum<unknown, unknown>>;

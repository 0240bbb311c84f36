'use client';

import { leafScreen } from './leaf-screen.tsx';
import { PlanLeaf } from './plan-leaf.tsx';

export const PlanScreen = leafScreen('plan', PlanLeaf);

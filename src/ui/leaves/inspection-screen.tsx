'use client';

import { leafScreen } from './leaf-screen.tsx';
import { InspectionLeaf } from './inspection-leaf.tsx';

export const InspectionScreen = leafScreen('inspection', InspectionLeaf);

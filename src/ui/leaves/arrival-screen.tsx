'use client';

import { leafScreen } from './leaf-screen.tsx';
import { ArrivalLeaf } from './arrival-leaf.tsx';

export const ArrivalScreen = leafScreen('arrival', ArrivalLeaf);

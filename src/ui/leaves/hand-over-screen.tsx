'use client';

import { leafScreen } from './leaf-screen.tsx';
import { HandOverLeaf } from './hand-over-leaf.tsx';

export const HandOverScreen = leafScreen('hand-over', HandOverLeaf);

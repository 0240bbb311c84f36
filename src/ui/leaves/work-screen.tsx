'use client';

import { leafScreen } from './leaf-screen.tsx';
import { WorkLeaf } from './work-leaf.tsx';

export const WorkScreen = leafScreen('work', WorkLeaf);

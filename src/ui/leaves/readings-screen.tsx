'use client';

import { leafScreen } from './leaf-screen.tsx';
import { ReadingsLeaf } from './readings-leaf.tsx';

export const ReadingsScreen = leafScreen('readings', ReadingsLeaf);

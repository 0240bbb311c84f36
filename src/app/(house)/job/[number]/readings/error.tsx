'use client';

export { default } from '../_leaf/leaf-error.tsx';

import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ComponentType } from 'react';
import { LEAF_NAMES, type Leaf } from '../../../../../core/job/leaves.ts';
import type { LeafView } from '../../../../../core/job/views/leaves.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadLeaf } from '../../../../../server/leaves/load-leaf.ts';
import type { LeafScreenProps } from '../../../../../ui/leaves/leaf-screen.tsx';
import { requireActor } from '../../../../_lib/session.ts';

interface Params {
  readonly params: Promise<{ number: string }>;
}

/** The title of one of a job's leaves. */
export const leafTitle =
  (leaf: Leaf) =>
  async ({ params }: Params): Promise<Metadata> => ({
    title: `${(await params).number} ${LEAF_NAMES[leaf]}`,
  });

/** Loads what one leaf shows and hands it to the leaf's screen, which keeps it up to date. */
export const leafPage =
  <L extends Leaf>(leaf: L, Screen: ComponentType<LeafScreenProps<L>>) =>
  async ({ params }: Params) => {
    const actor = await requireActor();
    const { number } = await params;
    const initial: LeafView<L> | null = /^\d{1,9}$/.test(number)
      ? await loadLeaf(database(), Number(number), leaf)
      : null;
    if (!initial) notFound();
    return <Screen number={Number(number)} initial={initial} role={actor.role} me={actor.name} />;
  };

'use client';

import { useRouter } from 'next/navigation';
import { useSend } from '../data/use-send.ts';
import { Trouble } from '../kit/trouble.tsx';

/** Makes an order of what is short at a supplier, and opens it. */
export function MakeOrder({
  supplier,
  rows,
}: {
  readonly supplier: string;
  readonly rows: readonly { readonly itemId: number; readonly quantity: number }[];
}) {
  const router = useRouter();
  const { give, busy, trouble } = useSend();
  const make = async () => {
    const done = await give('stores.save-order', {
      orderId: null,
      version: 0,
      supplier,
      note: '',
      expected: null,
      rows: [...rows],
    });
    if (done) router.push(`/stores/orders/${done.orderId}`);
  };
  return (
    <>
      <button
        type="button"
        className="button button-main no-print mb-1"
        disabled={busy}
        aria-label={`Make it an order: ${supplier}`}
        onClick={() => void make()}
      >
        Make it an order
      </button>
      <Trouble trouble={trouble} />
    </>
  );
}

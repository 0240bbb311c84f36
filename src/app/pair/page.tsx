import { PairDevice } from '../../ui/frame/pair-device.tsx';

export const metadata = { title: 'Pair this device' };

export default async function PairPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ code?: string }>;
}) {
  const { code } = await searchParams;
  return (
    <main className="mx-auto max-w-xl px-6 py-12">
      <h1 className="mb-1 text-3xl">Pair this device with the shop</h1>
      <p className="mb-8 text-quiet">
        Only paired devices show names to tap. A code is printed when Rubrica starts, or by{' '}
        <code>./rubrica pair</code>.
      </p>
      <PairDevice code={code ?? ''} />
    </main>
  );
}

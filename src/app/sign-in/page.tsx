import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { database } from '../../server/db/connection.ts';
import { DEVICE_COOKIE, peopleOn } from '../../server/people/who.ts';
import { isOwnPath } from '../../ui/data/last-page.ts';
import { SignIn } from '../../ui/frame/sign-in.tsx';

export const metadata = { title: 'Who are you?' };

export default async function SignInPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ next?: string }>;
}) {
  const people = await peopleOn(database(), (await cookies()).get(DEVICE_COOKIE)?.value);
  const { next: asked } = await searchParams;
  const next = asked !== undefined && isOwnPath(asked) ? asked : null;
  if (people === null) redirect(`/pair?next=${encodeURIComponent(next ?? '/rack')}`);
  return (
    <main className="mx-auto max-w-3xl px-6 py-12">
      <h1 className="mb-1 text-3xl">Who are you?</h1>
      <p className="mb-8 text-quiet">Tap your name, then your PIN.</p>
      <SignIn people={people} next={next} />
    </main>
  );
}

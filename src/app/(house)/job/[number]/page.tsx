import { redirect } from 'next/navigation';

/** What a tag's code opens. */
export default async function JobDoor({ params }: { readonly params: Promise<{ number: string }> }) {
  const { number } = await params;
  redirect(`/job/${encodeURIComponent(number)}/arrival`);
}

/** Says of a house that shows a copy what it is. */
export function CopyStrip({ taken }: { readonly taken: string | null }) {
  if (taken === null) return null;
  return (
    <p role="note" className="border-b-2 border-plain bg-shade px-5 py-2 font-bold">
      A copy to look at, as the record was at {taken}. Nothing is changed here, and nothing is sent.
    </p>
  );
}

/** What there is to say before an operation comes on the order by hand: who asks for it may do so all the same. */
export const SaidBeside = ({ says = [] }: { readonly says?: readonly string[] | undefined }) => (
  <div aria-live="polite" className="w-full empty:hidden">
    {says.map((s) => (
      <p key={s} className="text-rubric">
        ◆ {s}
      </p>
    ))}
  </div>
);

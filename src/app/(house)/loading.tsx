export default function Loading() {
  return (
    <p role="status" className="p-6 text-quiet">
      Fetching the page from the shop …
    </p>
  );
}

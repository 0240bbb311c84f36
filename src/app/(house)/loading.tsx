import { PageComes } from '../../ui/data/page-comes.tsx';

export default function Loading() {
  return (
    <p role="status" className="p-6 text-quiet">
      Fetching the page from the shop …
      <PageComes />
    </p>
  );
}

import Link from '../ui/kit/link.tsx';
import { Notice } from '../ui/kit/notice.tsx';

export default function NotFound() {
  return (
    <main>
      <Notice title="Nothing hangs here">
        <p>There is no such page, job or instrument. The number may be mistyped.</p>
        <Link href="/rack" className="button button-main">
          To the rack
        </Link>
      </Notice>
    </main>
  );
}

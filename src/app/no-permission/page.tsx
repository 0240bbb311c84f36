import Link from '../../ui/kit/link.tsx';
import { Notice } from '../../ui/kit/notice.tsx';

export const metadata = { title: 'Not yours to do' };

export default function NoPermission() {
  return (
    <main>
      <Notice title="This is not yours to do">
        <p>
          Your role in the shop does not open this page. A lead or the owner can do it, or give you the role.
        </p>
        <Link href="/rack" className="button button-main">
          To the rack
        </Link>
      </Notice>
    </main>
  );
}

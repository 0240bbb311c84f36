import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadShopSetting } from '../../../../server/house/load-shop.ts';
import { loadLogo } from '../../../../server/photos/logo.ts';
import { LogoField } from '../../../../ui/house/logo-field.tsx';
import { ShopEditor } from '../../../../ui/house/shop-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'The shop' };

export default async function ShopPage() {
  const actor = await requireActor();
  const [{ info, version }, logo] = await Promise.all([loadShopSetting(database()), loadLogo(database())]);
  const changes = may(actor.role, 'house');
  return (
    <>
      <PageHead title="The shop" note="what it is called on papers and links, its money and its tax" />
      <ShopEditor info={info} version={version} may={changes} />
      <LogoField digest={logo?.digest ?? null} may={changes} />
    </>
  );
}

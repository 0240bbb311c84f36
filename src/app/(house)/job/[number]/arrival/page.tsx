import { ArrivalScreen } from '../../../../../ui/leaves/arrival-screen.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('arrival');

export default leafPage('arrival', ArrivalScreen);

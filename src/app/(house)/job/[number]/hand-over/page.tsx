import { HandOverScreen } from '../../../../../ui/leaves/hand-over-screen.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('hand-over');

export default leafPage('hand-over', HandOverScreen);

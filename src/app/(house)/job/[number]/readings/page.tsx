import { ReadingsScreen } from '../../../../../ui/leaves/readings-screen.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('readings');

export default leafPage('readings', ReadingsScreen);

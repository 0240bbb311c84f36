import { WorkScreen } from '../../../../../ui/leaves/work-screen.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('work');

export default leafPage('work', WorkScreen);

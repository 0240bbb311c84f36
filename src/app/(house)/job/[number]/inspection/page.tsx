import { InspectionScreen } from '../../../../../ui/leaves/inspection-screen.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('inspection');

export default leafPage('inspection', InspectionScreen);

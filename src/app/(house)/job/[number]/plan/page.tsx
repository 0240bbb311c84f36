import { PlanScreen } from '../../../../../ui/leaves/plan-screen.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('plan');

export default leafPage('plan', PlanScreen);

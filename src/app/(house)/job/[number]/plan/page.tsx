import { PlanLeaf } from '../../../../../ui/leaves/plan-leaf.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('plan');

export default leafPage('plan', (job, rest) => <PlanLeaf job={job} {...rest} />);

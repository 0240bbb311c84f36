import { InspectionLeaf } from '../../../../../ui/leaves/inspection-leaf.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('inspection');

export default leafPage('inspection', (job, rest) => <InspectionLeaf job={job} {...rest} />);

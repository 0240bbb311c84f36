import { WorkLeaf } from '../../../../../ui/leaves/work-leaf.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('work');

export default leafPage('work', (job, rest) => <WorkLeaf job={job} {...rest} />);

import { HandOverLeaf } from '../../../../../ui/leaves/hand-over-leaf.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('hand-over');

export default leafPage('hand-over', (job, rest) => <HandOverLeaf job={job} {...rest} />);

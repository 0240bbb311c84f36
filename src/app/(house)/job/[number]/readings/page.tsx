import { ReadingsLeaf } from '../../../../../ui/leaves/readings-leaf.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('readings');

export default leafPage('readings', (job, rest) => <ReadingsLeaf job={job} {...rest} />);

import { ArrivalLeaf } from '../../../../../ui/leaves/arrival-leaf.tsx';
import { leafPage, leafTitle } from '../_leaf/leaf-page.tsx';

export const generateMetadata = leafTitle('arrival');

export default leafPage('arrival', (job, rest) => <ArrivalLeaf job={job} {...rest} />);

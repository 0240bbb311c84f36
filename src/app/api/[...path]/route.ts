import { answer } from '../answer.ts';

/** What programs ask where Next alone serves, as while the house is worked on; else it is asked before Next is (`cli/serve-house.ts`). */
export {
  answer as GET,
  answer as HEAD,
  answer as POST,
  answer as PUT,
  answer as PATCH,
  answer as DELETE,
  answer as OPTIONS,
};

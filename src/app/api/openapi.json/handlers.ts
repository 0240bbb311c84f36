import { openApi } from '../../../contracts/sums/openapi.ts';

/** The OpenAPI 3.1 document of the sums. */
export const GET = (): Response => Response.json(openApi());

import { Bytes, endpoint } from './endpoint';
import { ROUTES } from './routes';

/** Every request of this server, as OpenAPI 3.1. */
export const getOpenApi = endpoint(ROUTES.getOpenApi, { response: Bytes });
/** The same as a page to read. */
export const readOpenApi = endpoint(ROUTES.readOpenApi, { response: Bytes });

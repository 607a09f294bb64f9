import { getOpenApi, readOpenApi } from '#contracts/openapi';
import type { routes } from '../../http/route';
import { openApiDocument } from './document';
import { openApiPage } from './page';

/** What programs read of this server; made once, when it is first asked for. */
export function openApiRoutes(on: ReturnType<typeof routes>) {
  let text: string | null = null;
  let page: string | null = null;
  on.openFile(getOpenApi, async () => {
    text ??= JSON.stringify(openApiDocument());
    return { type: 'application/json', name: 'openapi.json', body: Buffer.from(text) };
  });
  on.openFile(readOpenApi, async () => {
    page ??= openApiPage(openApiDocument());
    return { type: 'text/html; charset=utf-8', name: 'api.html', body: Buffer.from(page) };
  });
}

import { getAdvice } from '#contracts/advice';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createAdviceService } from './service';

export function adviceRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const advice = createAdviceService(deps);
  on.signed(getAdvice, ({ params, query, who }) =>
    advice.ofTea(params.id, who.siteId, new Set(query.without?.split(',') ?? [])),
  );
}

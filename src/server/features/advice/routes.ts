import { getAdvice, leaveOut } from '#contracts/advice';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createAdviceService } from './service';

export function adviceRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const advice = createAdviceService(deps);
  on.signed(getAdvice, ({ params, who }) => advice.ofTea(params.id, who));
  on.signed(leaveOut, ({ params, body, who }) => advice.leaveOut(params.id, body.why, who));
}

import { getFit, moveFit, useFit } from '#contracts/fits';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createFitService } from './service';

const listed = (without: string | undefined): string[] => without?.split(',') ?? [];

export function fitRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const fits = createFitService(deps);
  on.signed(getFit, ({ params, query }) => fits.page(params.id, listed(query.without)));
  on.signed(useFit, ({ params, body, who }) =>
    fits.use(params.id, body.id, listed(body.without), who),
  );
  on.signed(moveFit, ({ params, body, who }) => fits.move(params.id, body.to, who));
}

import type { Recipe } from '#core/recipes';
import type { TeaFitPage } from '#contracts/fits';
import type { Tea } from '#contracts/teas';

export type FitProps = {
  tea: Tea;
  recipe: Recipe;
  page: TeaFitPage;
  without: readonly string[];
  busy: boolean;
  onLeave: (cup: string) => void;
};

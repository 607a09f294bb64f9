import type { Tasting } from '#core/tastings';
import type { OpenTasting } from '#contracts/tastings';

export type ResultProps = { view: OpenTasting; now: Tasting };

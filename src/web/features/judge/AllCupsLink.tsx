import { Link } from 'react-router';
import { scatterWords } from '#core/corrections';
import type { TeaAdvice } from '#contracts/advice';

/** Where it is shown what all cups of a tea say, and why they differ where they do. */
export const AllCupsLink = ({ teaId, found }: { teaId: string; found: TeaAdvice }) => (
  <p className="mt-4">
    {scatterWords(found.scatter)}{' '}
    <Link className="underline" to={`/book/${teaId}/advice`}>
      What the cups say
    </Link>
  </p>
);

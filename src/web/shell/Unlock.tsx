import { useHouseQuery } from '../entities/people/api';
import { SignInPage } from '../features/signin';

/** Names and PIN over a locked bar, which goes on behind: its alarms ring, and one touch leads back to it. */
export function Unlock({ onLeave }: { onLeave: () => void }) {
  const { data } = useHouseQuery();
  if (!data) return null;
  return (
    <div className="unlocking">
      <SignInPage house={data} onLeave={onLeave} />
    </div>
  );
}

import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { MATERIALS } from '#core/heat';
import { numberText } from '#core/units';
import { INFUSERS } from '#core/vessels';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { LeafAgainstBasket } from './vessel/LeafAgainstBasket';
import { Section } from './vessel/MlScale';
import { Facts, LeadActs } from './vessel/VesselFacts';
import { VesselEdit } from './VesselEdit';
import { WeighIn } from './WeighIn';

/** One vessel: section with its scale of ml, leaf against its basket, and the acts of a lead. */
export function VesselPage() {
  const { id } = useParams();
  const { data, isLoading } = useVesselsQuery();
  // Each tea’s leaf is drawn against the basket: later, it would move what is below.
  const { isLoading: bookComes } = useBookQuery();
  const { role } = useSession();
  const go = useGo();
  const [editing, setEditing] = useState(false);
  const [weighing, setWeighing] = useState(false);
  const vessel = data?.vessels.find((v) => v.id === id);
  useKeys([
    {
      key: 'Escape',
      does: 'Back to the shelf',
      run: () => (editing || weighing ? (setEditing(false), setWeighing(false)) : go('/shelf')),
    },
    ...(role === 'lead' && vessel
      ? [
          { key: 'e', does: 'Edit', run: () => setEditing(true) },
          { key: 'w', does: 'Weigh it', run: () => setWeighing(true) },
        ]
      : []),
  ]);
  if (isLoading || bookComes)
    return (
      <main className="page">
        <Loading what="the shelf" />
      </main>
    );
  if (id === 'new' && role === 'lead')
    return (
      <main className="page scroll">
        <div className="p-6 max-w-[760px]">
          <h1 className="text-[28px] mb-3">New vessel</h1>
          <VesselEdit vessel={null} onDone={() => go('/shelf')} />
        </div>
      </main>
    );
  if (!vessel)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/shelf">
              To the shelf
            </Link>
          }
        >
          This vessel is not on the shelf.
        </Nothing>
      </main>
    );
  if (editing)
    return (
      <main className="page scroll">
        <div className="p-6 max-w-[760px]">
          <h1 className="text-[28px] mb-3">{vessel.name}</h1>
          <VesselEdit vessel={vessel} onDone={() => setEditing(false)} />
        </div>
      </main>
    );
  return (
    <main className="page split whole">
      <section className="work">
        <h1 className="text-[30px] leading-tight">
          {vessel.name}{' '}
          <span className="small text-[16px] font-normal ml-2">
            {[
              MATERIALS[vessel.material].label,
              vessel.wallGrams ? `${numberText(vessel.wallGrams, 0)} g` : null,
              INFUSERS[vessel.infuser].label,
              vessel.strainer === 'staysIn' ? 'leaf stays in' : null,
              vessel.cosy ? 'cosy' : null,
              vessel.weighed ? 'weighed' : 'not weighed',
              vessel.retired ? 'retired' : null,
            ]
              .filter(Boolean)
              .join(' · ')}
          </span>
        </h1>
        {weighing ? (
          <WeighIn vessel={vessel} onDone={() => setWeighing(false)} />
        ) : (
          <>
            <Section vessel={vessel} />
            <LeafAgainstBasket vessel={vessel} />
          </>
        )}
      </section>
      <section className="paper" aria-label="What it does">
        <Facts vessel={vessel} />
        <LeadActs
          vessel={vessel}
          onEdit={() => setEditing(true)}
          onWeigh={() => setWeighing(true)}
        />
      </section>
    </main>
  );
}

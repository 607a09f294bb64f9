import { type FormEvent, useState } from 'react';
import { MATERIAL_NAMES, MATERIALS } from '#core/heat';
import { parseVolume, volumeText } from '#core/units';
import { INFUSER_KINDS, INFUSERS, PROFILES, type TypedPot, vesselOfTyped } from '#core/vessels';
import type { VesselFields } from '#contracts/vessels';
import { useSession, useUnits } from '../../entities/people/session';
import { useAddVesselMutation } from '../../entities/vessels/api';
import { fieldFaults } from '../../platform/api';
import { newId } from '../../platform/ids';
import { Sheet } from '../../ui/Dialog';
import { Picked } from '../../ui/Picked';

const KINDS: readonly TypedPot['kind'][] = ['pot', 'mug', 'lidded'];
type Typed = {
  readonly kind: TypedPot['kind'];
  readonly holds: string;
  readonly material: TypedPot['material'];
  readonly infuser: TypedPot['infuser'];
  readonly staysIn: boolean;
  readonly name: string;
};
const EMPTY: Typed = {
  kind: 'pot',
  holds: '',
  material: 'porcelain',
  infuser: 'deep',
  staysIn: false,
  name: '',
};
type Props = {
  open: boolean;
  onClose: () => void;
  /** The pot is brewed in now, without a record of it. */
  onUse: (pot: VesselFields) => void;
  /** The pot is on the shelf from now on. */
  onKept: (vesselId: string) => void;
};

/** A pot that is not on the shelf: what it holds, what it is made of, where the leaf lies. */
export function OtherPot(props: Props) {
  return (
    <Sheet title="A pot that is not on the shelf" open={props.open} onClose={props.onClose}>
      <PotForm {...props} />
    </Sheet>
  );
}

/** What is typed of the pot, and what is wrong with it; it is brewed in, or kept on the shelf. */
function useTypedPot({ onUse, onKept }: Pick<Props, 'onUse' | 'onKept'>) {
  const units = useUnits();
  const { site } = useSession();
  const [typed, setTyped] = useState<Typed>(EMPTY);
  const [fault, setFault] = useState('');
  const [id] = useState(newId);
  const [add, { isLoading }] = useAddVesselMutation();
  /** The pot as it was typed; null when what it holds cannot be read. */
  const read = (): VesselFields | null => {
    const holds = parseVolume(typed.holds, units.volume);
    if (holds.kind === 'bad') {
      setFault(holds.why);
      return null;
    }
    if (holds.value < 30 || holds.value > 20_000) {
      setFault('A pot holds 30 ml to 20 l.');
      return null;
    }
    setFault('');
    const name =
      typed.name.trim() ||
      `${PROFILES[typed.kind].label} of ${volumeText(holds.value, units.volume)}`;
    const strainer = typed.staysIn ? 'staysIn' : 'liftsOut';
    return vesselOfTyped({ ...typed, holds: holds.value, strainer }, name) as VesselFields;
  };
  return {
    typed,
    set: (over: Partial<Typed>) => setTyped((t) => ({ ...t, ...over })),
    fault,
    isKeeping: isLoading,
    submit: (e: FormEvent) => {
      e.preventDefault();
      const pot = read();
      if (pot) onUse(pot);
    },
    keep: async () => {
      const pot = read();
      if (!pot) return;
      if (typed.name.trim() === '') return setFault('Name the pot, to keep it on the shelf.');
      try {
        await add({ ...pot, id, siteId: site.id }).unwrap();
        onKept(id);
      } catch (e) {
        const [first] = Object.values(fieldFaults(e) ?? {});
        setFault(
          first ?? 'The pot was not kept: no answer from the server. What you typed is still here.',
        );
      }
    },
  };
}

function PotForm(props: Props) {
  const { role } = useSession();
  const { typed, set, fault, isKeeping, submit, keep } = useTypedPot(props);
  return (
    <form className="form" onSubmit={submit} noValidate>
      <div className="pair">
        <Picked
          label="Kind"
          value={typed.kind}
          options={KINDS.map((kind) => [kind, PROFILES[kind].label])}
          onPick={(kind) => set({ kind })}
        />
        <div className="field-row">
          <label htmlFor="pot-holds">The pot holds, to the brim</label>
          <input
            id="pot-holds"
            className="box"
            value={typed.holds}
            placeholder="700, or 24 fl oz"
            aria-invalid={fault !== ''}
            autoFocus
            onChange={(e) => set({ holds: e.target.value })}
          />
        </div>
      </div>
      <div className="pair">
        <Picked
          label="Made of"
          value={typed.material}
          options={MATERIAL_NAMES.filter((m) => m !== 'none').map((m) => [m, MATERIALS[m].label])}
          onPick={(material) => set({ material })}
        />
        <Picked
          label="The leaf lies in"
          value={typed.infuser}
          options={INFUSER_KINDS.map((i) => [i, INFUSERS[i].label])}
          onPick={(infuser) => set({ infuser })}
        />
      </div>
      <label className="check">
        <input
          type="checkbox"
          checked={typed.staysIn}
          onChange={(e) => set({ staysIn: e.target.checked })}
        />
        The leaf cannot be lifted out: it is poured off through a strainer
      </label>
      {role === 'lead' && (
        <div className="field-row">
          <label htmlFor="pot-name">Name, to keep the pot on the shelf</label>
          <input
            id="pot-name"
            className="box"
            maxLength={60}
            value={typed.name}
            onChange={(e) => set({ name: e.target.value })}
          />
        </div>
      )}
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <p className="small">
        All else is taken as usual for this kind of pot. The shelf keeps no record of this pot; the
        brew keeps what you typed.
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="btn go">
          Brew in this pot
        </button>
        {role === 'lead' && (
          <button type="button" className="btn" disabled={isKeeping} onClick={() => void keep()}>
            Keep the pot on the shelf
          </button>
        )}
      </div>
    </form>
  );
}

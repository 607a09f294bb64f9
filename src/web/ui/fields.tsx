import { type ReactNode, useId } from 'react';
import type { FieldValues, Path, UseFormReturn } from 'react-hook-form';

type Base<F extends FieldValues> = {
  form: UseFormReturn<F>;
  name: Path<F>;
  label: string;
  hint?: ReactNode;
  ask?: ReactNode;
};
const faultOf = <F extends FieldValues>(
  form: UseFormReturn<F>,
  name: Path<F>,
): string | undefined => {
  const found = form.getFieldState(name, form.formState).error?.message;
  return typeof found === 'string' && found !== '' ? found : undefined;
};

function Row<F extends FieldValues>({
  form,
  name,
  label,
  hint,
  ask,
  children,
}: Base<F> & {
  children: (id: string, aria: Record<string, string | boolean | undefined>) => ReactNode;
}) {
  const id = useId();
  const fault = faultOf(form, name);
  const hintId = hint ? `${id}h` : undefined;
  return (
    <div className="field-row">
      <label htmlFor={id}>{label}</label>
      {children(id, {
        'aria-invalid': fault ? true : undefined,
        'aria-describedby': fault ? `${id}f` : hintId,
      })}
      {fault && (
        <p className="fault" id={`${id}f`} role="alert">
          {fault}
        </p>
      )}
      {ask && !fault && <div className="ask">{ask}</div>}
      {hint && !fault && (
        <p className="hint" id={`${id}h`}>
          {hint}
        </p>
      )}
    </div>
  );
}

/** A typed field; what is typed stays whatever the answer. `unit` stands beside it. */
export function TextField<F extends FieldValues>({
  unit,
  type = 'text',
  wide = true,
  ...base
}: Base<F> & { unit?: string; type?: string; wide?: boolean }) {
  return (
    <Row {...base}>
      {(id, aria) => (
        <div className={unit ? 'with-unit' : ''}>
          <input
            id={id}
            type={type}
            className="box"
            inputMode={unit ? 'decimal' : undefined}
            style={wide ? undefined : { maxWidth: 160 }}
            {...aria}
            {...base.form.register(base.name)}
          />
          {unit && <span>{unit}</span>}
        </div>
      )}
    </Row>
  );
}
export function AreaField<F extends FieldValues>(base: Base<F>) {
  return (
    <Row {...base}>
      {(id, aria) => (
        <textarea id={id} className="box" rows={2} {...aria} {...base.form.register(base.name)} />
      )}
    </Row>
  );
}
export function SelectField<F extends FieldValues>({
  options,
  ...base
}: Base<F> & { options: readonly (readonly [value: string, text: string])[] }) {
  return (
    <Row {...base}>
      {(id, aria) => (
        <select id={id} className="box" {...aria} {...base.form.register(base.name)}>
          {options.map(([v, t]) => (
            <option key={v} value={v}>
              {t}
            </option>
          ))}
        </select>
      )}
    </Row>
  );
}
export function CheckField<F extends FieldValues>({ form, name, label }: Base<F>) {
  return (
    <label className="check">
      <input type="checkbox" {...form.register(name)} />
      {label}
    </label>
  );
}

/** Puts the server's faults beside their fields; true when at least one had its place. */
export function showFaults<F extends FieldValues>(
  form: UseFormReturn<F>,
  faults: Record<string, string>,
  names: Partial<Record<string, Path<F>>>,
): boolean {
  let placed = false;
  for (const [path, message] of Object.entries(faults)) {
    const name = names[path];
    if (name) {
      form.setError(name, { message });
      placed = true;
    }
  }
  return placed;
}

import { type ReactNode, useId } from 'react';

export const inputLook = 'min-h-9 rounded-sm border border-slate bg-enamel px-2 py-1 text-rim';

export type Label = { label: string; hint?: string | undefined; problem?: string | undefined; className?: string };

/** What ties the field to its label and its note. */
type Tied = { id: string; 'aria-invalid'?: true | undefined; 'aria-describedby'?: string | undefined; className: string };

/** A field with its label above it and a note below: a hint, or what is wrong. */
export function Labelled({ label, hint, problem, className = '', children }: Label & { children: (tied: Tied) => ReactNode }) {
  const id = useId();
  const note = problem ?? hint;
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="text-sm font-semibold">
        {label}
      </label>
      {children({
        id,
        'aria-invalid': problem ? true : undefined,
        'aria-describedby': note ? `${id}-note` : undefined,
        className: `${inputLook} w-full ${problem ? 'border-beet' : ''}`,
      })}
      {note && (
        <p id={`${id}-note`} className={`text-xs ${problem ? 'text-beet' : 'text-steel'}`}>
          {note}
        </p>
      )}
    </div>
  );
}

type Props = Label & {
  value: string;
  onChange: (value: string) => void;
  type?: string;
  autoComplete?: string;
  inputMode?: 'decimal' | 'numeric' | 'email' | 'text';
  list?: string;
  required?: boolean;
};

/** A labelled text field. What was typed stays when the server refuses it. */
export function Field({ label, hint, problem, className, value, onChange, type = 'text', ...rest }: Props) {
  return (
    <Labelled label={label} hint={hint} problem={problem} className={className ?? ''}>
      {(tied) => <input {...tied} {...rest} type={type} value={value} onChange={(event) => onChange(event.target.value)} />}
    </Labelled>
  );
}

/** A closed set of choices as the browser's own select, which works everywhere with keys and touch. */
export function Choice({
  value,
  onChange,
  options,
  ...label
}: Label & {
  value: string;
  onChange: (value: string) => void;
  options: [string, string][];
}) {
  return (
    <Labelled {...label}>
      {(tied) => (
        <select {...tied} value={value} onChange={(event) => onChange(event.target.value)}>
          {options.map(([key, word]) => (
            <option key={key} value={key}>
              {word}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  );
}

import { useId } from 'react';

type Props = {
  label: string;
  value: string;
  onChange: (value: string) => void;
  type?: string;
  hint?: string | undefined;
  problem?: string | undefined;
  autoComplete?: string;
  inputMode?: 'decimal' | 'numeric' | 'email' | 'text';
  list?: string;
  className?: string;
  required?: boolean;
};

/** A labelled text field. What was typed stays when the server refuses it. */
export function Field({ label, value, onChange, type = 'text', hint, problem, className = '', ...rest }: Props) {
  const id = useId();
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="text-sm font-semibold">
        {label}
      </label>
      <input
        id={id}
        type={type}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        aria-invalid={problem ? true : undefined}
        aria-describedby={hint || problem ? `${id}-note` : undefined}
        className={`${inputLook} w-full ${problem ? 'border-beet' : ''}`}
        {...rest}
      />
      {(problem || hint) && (
        <p id={`${id}-note`} className={`text-xs ${problem ? 'text-beet' : 'text-steel'}`}>
          {problem ?? hint}
        </p>
      )}
    </div>
  );
}

export const inputLook = 'min-h-9 rounded-sm border border-slate bg-enamel px-2 py-1 text-rim';

/** A closed set of choices as the browser's own select, which works everywhere with keys and touch. */
export function Choice({
  label,
  value,
  onChange,
  options,
  hint,
  className = '',
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  options: [string, string][];
  hint?: string | undefined;
  className?: string;
}) {
  const id = useId();
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="text-sm font-semibold">
        {label}
      </label>
      <select
        id={id}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        aria-describedby={hint ? `${id}-note` : undefined}
        className={`${inputLook} w-full`}
      >
        {options.map(([key, word]) => (
          <option key={key} value={key}>
            {word}
          </option>
        ))}
      </select>
      {hint && (
        <p id={`${id}-note`} className="text-xs text-steel">
          {hint}
        </p>
      )}
    </div>
  );
}

import { type Label, Labelled } from './Labelled';

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

import { useId } from 'react';
import { inputLook } from './Field';

/** A labelled field of several lines. */
export function Words({
  label,
  value,
  onChange,
  rows = 3,
  hint,
  className = '',
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  rows?: number;
  hint?: string | undefined;
  className?: string;
}) {
  const id = useId();
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="text-sm font-semibold">
        {label}
      </label>
      <textarea
        id={id}
        value={value}
        rows={rows}
        onChange={(event) => onChange(event.target.value)}
        aria-describedby={hint ? `${id}-note` : undefined}
        className={`${inputLook} w-full`}
      />
      {hint && (
        <p id={`${id}-note`} className="text-xs text-steel">
          {hint}
        </p>
      )}
    </div>
  );
}

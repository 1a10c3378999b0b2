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

import type { ButtonHTMLAttributes } from 'react';

const looks = {
  main: 'px-3 bg-cobalt text-on-cobalt hover:brightness-110',
  quiet: 'px-3 border border-line bg-enamel text-rim hover:border-rim',
  bare: 'px-1 text-cobalt underline-offset-2 hover:underline',
};

const everyLook =
  'inline-flex min-h-9 items-center justify-center gap-1.5 rounded-sm py-1 text-sm font-semibold whitespace-nowrap transition duration-150 disabled:opacity-50';

/** The one thing to do next, also where it is a link. */
export const mainLook = `${everyLook} ${looks.main}`;

export function Button({
  look = 'quiet',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof looks }) {
  return (
    <button
      type="button"
      // A double click sends a form once: the second click comes before the first has dimmed the button.
      onClick={(event) => rest.type === 'submit' && event.detail > 1 && event.preventDefault()}
      className={`${everyLook} ${looks[look]} ${className}`}
      {...rest}
    />
  );
}

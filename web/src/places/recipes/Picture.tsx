import { useState } from 'react';
import { pictureOf } from './picture';
import type { Sheet } from './queries';

/** What a dish looks like: small beside its name, as wide as the page once it is pressed. */
export function Picture({ sheet }: { sheet: Sheet }) {
  const [isLarge, setLarge] = useState(false);
  if (sheet.picture === null) return null;
  return (
    <button
      type="button"
      aria-expanded={isLarge}
      aria-label={isLarge ? 'Show the picture small' : 'Show the picture large'}
      onClick={() => setLarge(!isLarge)}
      className={isLarge ? 'w-full' : 'w-full shrink-0 sm:w-48'}
    >
      <img
        src={pictureOf(sheet.picture, !isLarge)}
        alt={sheet.name}
        className={`border border-line ${isLarge ? 'mx-auto max-h-[70vh]' : 'aspect-video w-full object-cover sm:aspect-[4/3]'}`}
      />
    </button>
  );
}

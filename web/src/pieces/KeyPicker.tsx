import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState } from 'react';
import { api, take } from '../api/client';
import { inputLook } from './Field';

export type Named = { key: string; name: string };

/** Picks several classes of food, and foods or packets when asked for: what is picked stands as strips that can be taken off. */
export function KeyPicker({
  label,
  picked,
  classes,
  withFoods = false,
  withPackets = false,
  onChange,
}: {
  label: string;
  picked: Named[];
  classes: Named[];
  withFoods?: boolean;
  withPackets?: boolean;
  onChange: (picked: Named[]) => void;
}) {
  const [words, setWords] = useState('');
  const asked = words.trim().toLowerCase();
  const foods = useQuery({
    queryKey: ['foods', asked, withPackets],
    queryFn: () => take(api.GET('/api/foods', { params: { query: { query: asked, packets: withPackets } } })),
    enabled: withFoods && asked.length > 1,
  });
  const taken = new Set(picked.map((one) => one.key));
  const found = [
    ...classes.filter((one) => one.name.toLowerCase().includes(asked)).map((one) => ({ ...one, kind: 'class' })),
    ...(foods.data ?? []).map((one) => ({ key: one.key, name: one.name, kind: 'food' })),
  ].filter((one) => !taken.has(one.key));
  return (
    <span className="inline-flex flex-wrap items-center gap-1 align-middle">
      {picked.map((one) => (
        <span key={one.key} className="inline-flex items-center gap-0.5 rounded-sm border border-line bg-tray pl-1.5 text-sm">
          {one.name}
          <button
            type="button"
            aria-label={`Take ${one.name} off ${label}`}
            onClick={() => onChange(picked.filter((other) => other.key !== one.key))}
            className="flex min-h-6 min-w-6 items-center justify-center text-steel hover:text-rim"
          >
            <X size={13} />
          </button>
        </span>
      ))}
      <Combobox
        immediate
        value={null}
        onChange={(one: Named | null) => {
          if (one) onChange([...picked, { key: one.key, name: one.name }]);
          setWords('');
        }}
      >
        <span className="relative inline-block">
          <ComboboxInput
            aria-label={label}
            placeholder={picked.length ? 'and …' : 'choose …'}
            value={words}
            onChange={(event) => setWords(event.target.value)}
            onBlur={() => setWords('')}
            className={`${inputLook} min-h-8! w-28`}
          />
          <ComboboxOptions
            anchor="bottom start"
            className="rimmed z-50 max-h-64 w-56 overflow-y-auto border-x border-b border-line text-sm shadow-lg"
          >
            {found.slice(0, 40).map((one) => (
              <ComboboxOption key={one.key} value={one} className="flex cursor-pointer justify-between px-2 py-1.5 data-focus:bg-tray">
                {one.name}
                {withFoods && <span className="text-steel">{one.kind}</span>}
              </ComboboxOption>
            ))}
            {found.length === 0 && <p className="px-2 py-1.5 text-steel">Nothing is called so.</p>}
          </ComboboxOptions>
        </span>
      </Combobox>
    </span>
  );
}

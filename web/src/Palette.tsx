import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions, Dialog, DialogPanel } from '@headlessui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useFoods, useRecipes } from './places/recipes/queries';

type Entry = { key: string; word: string; kind: string; to: string };

/** Every place, recipe, food and command, by typing a part of its name. */
export function Palette({ date, onClose }: { date: string; onClose: () => void }) {
  const navigate = useNavigate();
  const recipes = useRecipes();
  const [typed, setTyped] = useState('');
  const foods = useFoods(typed.trim().length > 1 ? typed : '');
  const entries: Entry[] = [
    { key: 'week', word: 'Week', kind: 'place', to: `/week/${date}` },
    { key: 'recipes', word: 'Recipes', kind: 'place', to: '/recipes' },
    { key: 'shop', word: 'Shop', kind: 'place', to: `/shop/${date}` },
    { key: 'session', word: 'Session', kind: 'place', to: `/session/${date}` },
    { key: 'shelf', word: 'Shelf', kind: 'place', to: `/shelf/${date}` },
    { key: 'log', word: 'Log', kind: 'place', to: '/log' },
    { key: 'larder', word: 'Larder', kind: 'place', to: '/larder' },
    { key: 'stock', word: 'Stock', kind: 'place', to: '/larder/stock' },
    { key: 'prices', word: 'Prices', kind: 'place', to: '/larder/prices' },
    { key: 'compare', word: 'Side by side', kind: 'command', to: '/larder/compare' },
    { key: 'file', word: 'Packets in and out', kind: 'command', to: '/larder/file' },
    { key: 'packet', word: 'Read a packet', kind: 'command', to: '/larder/packet' },
    { key: 'group', word: 'Group', kind: 'place', to: '/group' },
    { key: 'table', word: 'Table', kind: 'place', to: '/table' },
    { key: 'new', word: 'New recipe', kind: 'command', to: '/recipes/new' },
    { key: 'import', word: 'Bring recipes in', kind: 'command', to: '/recipes/import' },
    { key: 'batch', word: 'Make a batch', kind: 'command', to: `/week/${date}?make=1` },
    { key: 'fill', word: 'Fill the week', kind: 'command', to: `/week/${date}?solve=fill` },
    { key: 'mend', word: 'Mend the week', kind: 'command', to: `/week/${date}?solve=mend` },
    ...(recipes.data ?? []).map((recipe) => ({ key: recipe.id, word: recipe.name, kind: 'recipe', to: `/recipes/${recipe.id}` })),
  ];
  const asked = typed.trim().toLowerCase();
  const found = [
    ...entries.filter((entry) => entry.word.toLowerCase().includes(asked)).slice(0, 12),
    ...(asked.length > 1 ? (foods.data ?? []) : [])
      .slice(0, 6)
      .map((food) => ({ key: food.key, word: food.name, kind: 'food', to: `/larder/foods/${food.key}` })),
  ];
  const go = (entry: Entry) => {
    navigate(entry.to);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 flex items-start justify-center p-4 pt-[12vh]">
        <DialogPanel className="rimmed w-full max-w-lg shadow-xl">
          <Combobox<Entry | null> value={null} onChange={(entry) => entry && go(entry)}>
            <ComboboxInput
              autoFocus
              aria-label="Go to"
              placeholder="A place, a recipe, a food, a command"
              className="w-full bg-transparent px-4 py-3 text-lg outline-none"
              onChange={(event) => setTyped(event.target.value)}
              onKeyDown={(event) => {
                // Entries that come while one types are not chosen among yet: the first one is meant.
                const first = found[0];
                if (event.key !== 'Enter' || !first || event.currentTarget.getAttribute('aria-activedescendant')) return;
                event.preventDefault();
                go(first);
              }}
            />
            <ComboboxOptions static className="max-h-80 overflow-auto border-t border-line p-1">
              {found.map((entry) => (
                <ComboboxOption key={entry.key} value={entry} className="flex justify-between px-3 py-1.5 data-focus:bg-tray">
                  <span>{entry.word}</span>
                  <span className="text-sm text-steel">{entry.kind}</span>
                </ComboboxOption>
              ))}
              {found.length === 0 && <p className="px-3 py-2 text-steel">Nothing is called so.</p>}
            </ComboboxOptions>
          </Combobox>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

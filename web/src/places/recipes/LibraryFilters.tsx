import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { Choice, inputLook } from '../../pieces/Field';
import { mealChoices, verdictWord } from '../../pieces/show';
import { useSettled } from '../../pieces/useSettled';
import { type Filters, filterNames } from './library';
import { appliances } from './TaskEditor';

const any: [string, string] = ['', 'any'];
const upTo = (all: number[]): [string, string][] => all.map((one) => [`${one}`, one < 60 ? `up to ${one} min` : `up to ${one / 60} h`]);

/** What is looked for; everything that is said holds at once. */
export function LibraryFilters({
  filters,
  eaters,
  collections,
  onChange,
}: {
  filters: Filters;
  eaters: Schemas['LibraryEater'][];
  collections: string[];
  onChange: (change: Filters) => void;
}) {
  const [typed, setTyped] = useState(filters.search ?? '');
  const settled = useSettled(typed, 150);
  const search = useRef<HTMLInputElement>(null);
  const isAsked = filterNames.some((name) => name !== 'search' && filters[name]);
  const [isOpen, setOpen] = useState(isAsked);

  // Only what is typed asks anew: the address it goes into is its own doing.
  useEffect(() => {
    if (settled !== (filters.search ?? '')) onChange({ search: settled });
  }, [settled]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === '/' && !(event.target instanceof HTMLInputElement)) {
        event.preventDefault();
        search.current?.focus();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  const choice = (label: string, name: keyof Filters, options: [string, string][]) => (
    <Choice label={label} value={filters[name] ?? ''} onChange={(value) => onChange({ [name]: value })} options={options} />
  );
  return (
    <>
      <input
        ref={search}
        type="search"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        placeholder="Name or ingredient"
        aria-label="Search recipes"
        className={`${inputLook} w-64`}
      />
      <Button aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        {isOpen ? 'Fewer questions' : 'Who can eat it, how long …'}
      </Button>
      {isOpen && (
        <fieldset className="order-last flex w-full flex-wrap items-end gap-3">
          <legend className="sr-only">Looked for</legend>
          {choice('For', 'eater', [['', 'everybody'], ...eaters.map(({ id, name }): [string, string] => [id, name])])}
          {choice('Verdict', 'verdict', [any, ...Object.entries(verdictWord)])}
          {choice('Meal', 'meal', [any, ...mealChoices()])}
          {choice('By hand', 'handsOn', [any, ...upTo([10, 20, 30, 45])])}
          {choice('From start to end', 'minutes', [any, ...upTo([20, 30, 60, 120, 240])])}
          {choice(
            'With the',
            'appliance',
            appliances.map(([key, name]): [string, string] => (key === 'none' ? any : [key, name])),
          )}
          {choice('Keeps', 'keeps', [any, ...[2, 3, 4, 7].map((days): [string, string] => [`${days}`, `${days} days or more`])])}
          {choice('Freezer', 'freezes', [any, ['yes', 'it freezes']])}
          {choice('Liked', 'liked', [any, ['yes', 'nobody minds it']])}
          {collections.length > 0 && choice('In', 'collection', [any, ...collections.map((name): [string, string] => [name, name])])}
          {isAsked && (
            <Button
              look="bare"
              onClick={() => onChange(Object.fromEntries(filterNames.map((name) => [name, name === 'search' ? typed : ''])))}
            >
              Ask for nothing
            </Button>
          )}
        </fieldset>
      )}
    </>
  );
}

import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { Choice, inputLook } from '../../pieces/Field';
import { NumberInput } from '../../pieces/NumberInput';
import { mealChoices, verdictWord } from '../../pieces/show';
import { useSettled } from '../../pieces/useSettled';
import { type Filters, filterNames, shownNumbers } from './library';
import { appliances } from './StepPlace';

const any: [string, string] = ['', 'any'];
const upTo = (all: number[]): [string, string][] => all.map((one) => [`${one}`, one < 60 ? `up to ${one} min` : `up to ${one / 60} h`]);

/** What is looked for; everything that is said holds at once. */
export function LibraryFilters({
  filters,
  eaters,
  collections,
  numbers,
  onChange,
}: {
  filters: Filters;
  eaters: Schemas['LibraryEater'][];
  collections: string[];
  numbers: Schemas['LibraryMeasure'][];
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

  const number = numbers.find((one) => one.key === filters.number);
  const choice = (label: string, name: keyof Filters, options: [string, string][]) => (
    <Choice
      label={label}
      value={filters[name] ?? ''}
      onChange={(value) =>
        onChange(
          name === 'number'
            ? { number: value, atLeast: '', atMost: '', sort: shownNumbers.includes(value) ? value : value && 'number' }
            : { [name]: value },
        )
      }
      options={options}
    />
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
          {choice('A portion’s', 'number', [any, ...numbers.map(({ key, name }): [string, string] => [key, name.toLowerCase()])])}
          {number && (
            <span className="flex min-h-9 items-center gap-2 text-sm" key={number.key}>
              at least
              <Bound of={number} bound="at least" filters={filters} name="atLeast" onChange={onChange} />
              at most
              <Bound of={number} bound="at most" filters={filters} name="atMost" onChange={onChange} />
            </span>
          )}
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

function Bound({
  of,
  bound,
  name,
  filters,
  onChange,
}: {
  of: Schemas['LibraryMeasure'];
  bound: string;
  name: 'atLeast' | 'atMost';
  filters: Filters;
  onChange: (change: Filters) => void;
}) {
  return (
    <NumberInput
      label={`${of.name} of a portion, ${bound}`}
      unit={of.unit}
      value={filters[name] ? Number(filters[name]) : null}
      isPossible={(value) => value >= 0}
      onChange={(value) => onChange({ [name]: value === null ? '' : String(value) })}
    />
  );
}

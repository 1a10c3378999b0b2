import { useState } from 'react';
import { NumberInput } from '../../pieces/NumberInput';

const forms: [string, string][] = [
  ['docx', 'For a word processor'],
  ['html', 'As a page to print'],
  ['md', 'As plain text'],
  ['csv', 'What to buy'],
  ['ics', 'For a calendar'],
  ['json', 'For another Merienda'],
];

/** A published menu as files, with its amounts for one and for so many. */
export function HandOut({ group, menu }: { group: string; menu: string }) {
  const [eaters, setEaters] = useState<number | null>(4);
  return (
    <section aria-label="Hand it out" className="text-sm">
      <p className="mb-1">
        <b>Hand it out</b>, its amounts for one and for{' '}
        <NumberInput
          label="For how many it is written"
          unit=""
          value={eaters}
          onChange={setEaters}
          isPossible={isPossible}
          className="w-12"
        />
      </p>
      <ul className="flex flex-wrap gap-x-4">
        {forms.map(([form, word]) => (
          <li key={form}>
            <a
              href={`/api/groups/${group}/menus/${menu}/hand-out.${form}?eaters=${eaters ?? 4}`}
              download
              className="inline-flex min-h-9 items-center text-cobalt hover:underline"
            >
              {word} <span className="ml-1 text-steel">.{form}</span>
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}

const isPossible = (value: number) => Number.isInteger(value) && value >= 1 && value <= 500;

import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { inputLook } from '../../pieces/Field';
import { Lozenge } from '../../pieces/Lozenge';
import { amount, verdictWord } from '../../pieces/show';
import { useTable } from '../table/queries';

/** Every food of the table with what a hundred grams hold, and what each eater's rules say of them. */
export function LarderPage() {
  const [words, setWords] = useState('');
  const [foodClass, setFoodClass] = useState('');
  const asked = useDeferredValue(words);
  const table = useTable();
  const foods = useQuery({
    queryKey: ['larder', asked, foodClass],
    queryFn: () => take(api.GET('/api/larder/foods', { params: { query: { query: asked, foodClass } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <div className="mx-auto max-w-6xl p-4 md:p-6">
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="text-xl">Larder</h1>
        <input
          type="search"
          aria-label="Search foods"
          placeholder="Search"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className={`${inputLook} w-60`}
        />
        <select aria-label="Class of food" value={foodClass} onChange={(event) => setFoodClass(event.target.value)} className={inputLook}>
          <option value="">every class</option>
          {(table.data?.classes ?? []).map((one) => (
            <option key={one.key} value={one.key}>
              {one.name}
            </option>
          ))}
        </select>
        <span className="flex-1" />
        <Link
          to="/larder/packet"
          className="inline-flex min-h-9 items-center rounded-sm bg-cobalt px-3 text-sm font-semibold text-on-cobalt hover:brightness-110"
        >
          Read a packet
        </Link>
      </div>
      <Asked of={foods}>
        {(page) => (
          <>
            <p className="mb-1 text-sm text-steel" aria-live="polite">
              {page.total} {page.total === 1 ? 'food' : 'foods'}
              {page.total > page.foods.length && `, the first ${page.foods.length} shown`}; numbers and verdicts for 100 g.
            </p>
            <ul className="rimmed">
              {page.foods.map((food) => (
                <Food key={food.key} food={food} />
              ))}
            </ul>
            {page.total === 0 && <p className="p-4 text-steel">No food is called so. Read its packet, or type another word.</p>}
          </>
        )}
      </Asked>
    </div>
  );
}

function Food({ food }: { food: Schemas['LarderFood'] }) {
  return (
    <li className="grid gap-x-6 gap-y-1 border-x border-b border-line p-3 text-sm md:grid-cols-[15rem_15rem_minmax(0,1fr)]">
      <div>
        <p className="font-display text-base font-semibold">{food.name}</p>
        <p className="text-steel">{food.classes.join(', ') || food.aisle}</p>
        <p className="text-xs text-steel">
          {food.source} [{food.mark}]
        </p>
      </div>
      <dl className="figures grid grid-cols-[auto_1fr_auto_1fr] gap-x-2 self-start">
        {food.perHundredGrams.map((measure) => (
          <div key={measure.key} className="contents">
            <dt className="text-steel">{measure.name}</dt>
            <dd className="text-right whitespace-nowrap">{amount(measure.value, measure.unit, measure.decimals)}</dd>
          </div>
        ))}
      </dl>
      <ul className="self-start">
        {food.verdicts.map((verdict) => (
          <li key={verdict.eater} className="flex gap-2">
            <span className="w-20 shrink-0 truncate text-steel">{verdict.eater}</span>
            {verdict.hasRules ? (
              <>
                <span className="mt-0.5">
                  <Lozenge verdict={verdict.verdict} size={13} />
                </span>
                <span>
                  <b className={verdict.verdict === 'breaks' ? 'text-beet' : ''}>{verdictWord[verdict.verdict]}</b>{' '}
                  <span className="text-steel">{verdict.because}</span>
                </span>
              </>
            ) : (
              <span className="text-steel">no protocol</span>
            )}
          </li>
        ))}
      </ul>
    </li>
  );
}

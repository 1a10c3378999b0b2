import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { api, type Schemas, take, type Verdict } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { ButtonLink } from '../../pieces/ButtonLink';
import { inputLook } from '../../pieces/Field';
import { Lozenge } from '../../pieces/Lozenge';
import { amount, verdictWord } from '../../pieces/show';
import { useTable } from '../table/queries';

const kinds: [string, string][] = [
  ['', 'foods and packets'],
  ['packets', 'packets only'],
  ['foods', 'foods of the table only'],
];

/** Every food of the table and every packet of the household, with what a hundred grams hold and what each eater's rules say of them. */
export function FoodsPage() {
  const [words, setWords] = useState('');
  const [foodClass, setFoodClass] = useState('');
  const [kind, setKind] = useState('');
  const [eater, setEater] = useState('');
  const [verdict, setVerdict] = useState<Verdict>('fits');
  const [picked, setPicked] = useState<{ key: string; name: string }[]>([]);
  const asked = useDeferredValue(words);
  const table = useTable();
  const query = { query: asked, foodClass, kind, ...(eater && { eater, verdict }) };
  const foods = useQuery({
    queryKey: ['larder', 'list', query],
    queryFn: () => take(api.GET('/api/larder/foods', { params: { query } })),
    placeholderData: keepPreviousData,
  });
  const pick = (food: { key: string; name: string }) =>
    setPicked(picked.some((one) => one.key === food.key) ? picked.filter((one) => one.key !== food.key) : [...picked.slice(-1), food]);
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center gap-2">
        <input
          type="search"
          aria-label="Search foods and packets"
          placeholder="Search"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className={`${inputLook} w-52`}
        />
        <select aria-label="Kind" value={kind} onChange={(event) => setKind(event.target.value)} className={inputLook}>
          {kinds.map(([key, word]) => (
            <option key={key} value={key}>
              {word}
            </option>
          ))}
        </select>
        <select
          aria-label="Class of food"
          value={foodClass}
          onChange={(event) => setFoodClass(event.target.value)}
          className={`${inputLook} w-40`}
        >
          <option value="">every class</option>
          {(table.data?.classes ?? []).map((one) => (
            <option key={one.key} value={one.key}>
              {one.name}
            </option>
          ))}
        </select>
        <select aria-label="Eater" value={eater} onChange={(event) => setEater(event.target.value)} className={inputLook}>
          <option value="">for anybody</option>
          {(table.data?.eaters ?? []).map((one) => (
            <option key={one.id} value={one.id}>
              for {one.name}
            </option>
          ))}
        </select>
        {eater && (
          <select
            aria-label="Verdict"
            value={verdict}
            onChange={(event) => setVerdict(event.target.value as Verdict)}
            className={inputLook}
          >
            {(Object.keys(verdictWord) as Verdict[]).map((one) => (
              <option key={one} value={one}>
                {verdictWord[one]}
              </option>
            ))}
          </select>
        )}
        <span className="flex-1" />
        <ButtonLink to="/larder/packet">Read a packet</ButtonLink>
      </div>
      <Asked of={foods}>
        {(page) => (
          <>
            <div className="mb-1 flex min-h-8 flex-wrap items-center gap-x-4 text-sm text-steel">
              <p aria-live="polite">
                {page.total === null ? `The first ${page.foods.length}` : `${page.total} found`}
                {page.total !== null && page.hasMore && `, the first ${page.foods.length} shown`}; numbers and verdicts for 100 g.
              </p>
              {picked.length > 0 && (
                <p className="text-rim">
                  {picked.map((one) => one.name).join(' and ')}{' '}
                  <Link
                    to={`/larder/compare?left=${picked[0]?.key ?? ''}&right=${picked[1]?.key ?? ''}`}
                    className="font-semibold text-cobalt hover:underline"
                  >
                    side by side
                  </Link>
                </p>
              )}
            </div>
            <ul className="rimmed">
              {page.foods.map((food) => (
                <Row key={food.key} food={food} isPicked={picked.some((one) => one.key === food.key)} onPick={() => pick(food)} />
              ))}
            </ul>
            {page.foods.length === 0 && (
              <p className="p-4 text-steel">
                Nothing is called so, or nothing of it is judged so.{' '}
                <Link to="/larder/packet" className="font-semibold text-cobalt hover:underline">
                  Read its packet
                </Link>
                , or type another word.
              </p>
            )}
          </>
        )}
      </Asked>
    </>
  );
}

function Row({ food, isPicked, onPick }: { food: Schemas['LarderFood']; isPicked: boolean; onPick: () => void }) {
  return (
    <li className="grid gap-x-6 gap-y-1 border-x border-b border-line p-3 text-sm md:grid-cols-[15rem_15rem_minmax(0,1fr)]">
      <div>
        <Link to={`/larder/foods/${food.key}`} className="font-display text-base font-semibold hover:text-cobalt hover:underline">
          {food.name}
        </Link>
        <p className="text-steel">
          {food.isPacket && <b className="font-semibold text-rim">packet </b>}
          {food.classes.join(', ') || food.aisle}
        </p>
        <label className="mt-0.5 inline-flex min-h-6 items-center gap-1.5 text-xs text-steel">
          <input type="checkbox" checked={isPicked} onChange={onPick} className="accent-cobalt" /> side by side
        </label>
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
          <li key={verdict.eaterId} className="flex gap-2">
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

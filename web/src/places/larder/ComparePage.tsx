import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Choice } from '../../pieces/Field';
import { KeyPicker } from '../../pieces/KeyPicker';
import { VerdictMark } from '../../pieces/Lozenge';
import { amount } from '../../pieces/show';
import { useTable } from '../table/queries';
import { useFood } from './queries';

/** Two foods or packets side by side, for a serving and for 100 g, for one eater. */
export function ComparePage() {
  const [search, setSearch] = useSearchParams();
  const table = useTable();
  const [left, right] = [search.get('left') ?? '', search.get('right') ?? ''];
  const eater = search.get('eater') ?? table.data?.eaters[0]?.id ?? '';
  const put = (key: string, value: string) => {
    const next = new URLSearchParams(search);
    next.set(key, value);
    setSearch(next, { replace: true });
  };
  const compared = useQuery({
    queryKey: ['larder', 'compare', left, right, eater],
    queryFn: () => take(api.GET('/api/larder/compare', { params: { query: { left, right, ...(eater && { eater }) } } })),
    enabled: left !== '' && right !== '',
    placeholderData: keepPreviousData,
    retry: false,
  });
  return (
    <>
      <div className="mb-5 flex flex-wrap items-end gap-x-6 gap-y-3 text-sm">
        <Picked label="One" food={left} onPick={(key) => put('left', key)} />
        <Picked label="The other" food={right} onPick={(key) => put('right', key)} />
        <Choice
          label="Judged for"
          value={eater}
          onChange={(value) => put('eater', value)}
          options={(table.data?.eaters ?? []).map((one) => [one.id, one.name])}
          className="w-40"
        />
      </div>
      {left && right ? (
        <Asked of={compared}>{(of) => <Compared of={of} />}</Asked>
      ) : (
        <p className="text-steel">Choose two foods or packets, and what they hold stands side by side.</p>
      )}
    </>
  );
}

function Picked({ label, food, onPick }: { label: string; food: string; onPick: (key: string) => void }) {
  const sheet = useFood(food);
  return (
    <div>
      <span className="block font-semibold">{label}</span>
      <KeyPicker
        label={label}
        withFoods
        withPackets
        picked={food ? [{ key: food, name: sheet.data?.name ?? '…' }] : []}
        classes={[]}
        onChange={(picked) => onPick(picked.at(-1)?.key ?? '')}
      />
    </div>
  );
}

function Compared({ of }: { of: Schemas['Comparison'] }) {
  return (
    <table className="rimmed w-full border-b border-line text-sm">
      <thead>
        <tr className="border-x border-line align-top">
          <td className="w-40 p-2" />
          {[of.left, of.right].map((food) => (
            <th key={food.key} colSpan={2} scope="colgroup" className="border-l border-line p-2 text-left font-normal">
              <Link to={`/larder/foods/${food.key}`} className="font-display text-base font-semibold hover:text-cobalt hover:underline">
                {food.name}
              </Link>
              {food.verdict && food.verdict.findings.length > 0 && (
                <>
                  <span className="mt-1 block">
                    <VerdictMark verdict={food.verdict.verdict} />
                  </span>
                  <span className="block text-xs text-steel">
                    {food.verdict.findings.find((finding) => finding.verdict === food.verdict?.verdict)?.because}
                  </span>
                </>
              )}
              {food.allergens.length > 0 && <span className="mt-1 block text-xs">Contains {food.allergens.join(', ')}.</span>}
              {food.price && <span className="block text-xs">{food.price}</span>}
            </th>
          ))}
        </tr>
        <tr className="border-x border-line text-xs text-steel">
          <th className="p-2 text-left font-normal">
            <span className="sr-only">Measure</span>
          </th>
          {[of.left, of.right].flatMap((food) => [
            <th key={`${food.key} serving`} className="border-l border-line p-2 text-right font-normal">
              {food.serving}
            </th>,
            <th key={`${food.key} hundred`} className="p-2 text-right font-normal">
              100 g
            </th>,
          ])}
        </tr>
      </thead>
      <tbody className="figures">
        {of.measures.map((one) => (
          <tr key={one.key} className="border-x border-t border-line">
            <th scope="row" className="p-2 py-1 text-left font-normal">
              {one.name}
            </th>
            <Cell value={one.leftServing} one={one} isMore={one.morePerServing === 'left'} isFirst />
            <Cell value={one.left} one={one} isMore={one.morePerHundredGrams === 'left'} />
            <Cell value={one.rightServing} one={one} isMore={one.morePerServing === 'right'} isFirst />
            <Cell value={one.right} one={one} isMore={one.morePerHundredGrams === 'right'} />
          </tr>
        ))}
      </tbody>
      <caption className="caption-bottom pt-2 text-left text-xs text-steel">
        “more” stands where one surely holds more than the other; where the ranges of the two meet, nobody can say.
      </caption>
    </table>
  );
}

type Measure = Schemas['ComparedMeasure'];

function Cell({ value, one, isMore, isFirst = false }: { value: Measure['left']; one: Measure; isMore: boolean; isFirst?: boolean }) {
  return (
    <td className={`p-2 py-1 text-right whitespace-nowrap ${isFirst ? 'border-l border-line' : ''} ${isMore ? 'font-semibold' : ''}`}>
      {value.high === null && value.best === 0 ? (
        <span className="font-normal text-steel">not known</span>
      ) : (
        amount(value, one.key === 'points' ? '' : one.unit, one.decimals)
      )}
      <span className="ml-1 inline-block w-9 text-left text-xs font-normal text-steel">{isMore ? 'more' : ''}</span>
    </td>
  );
}

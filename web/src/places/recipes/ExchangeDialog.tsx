import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, Problem, take } from '../../api/client';
import { Choice } from '../../pieces/Field';
import { KeyPicker, type Named } from '../../pieces/KeyPicker';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { number } from '../../pieces/show';

const kept: [string, string][] = [
  ['energy', 'energy'],
  ['protein', 'protein'],
  ['fat', 'fat'],
  ['availableCarbohydrate', 'available carbs'],
];

/** One food for another at an equal amount of something, with the true difference in the rest. */
export function ExchangeDialog({ food, name, grams, onClose }: { food: string; name: string; grams: number; onClose: () => void }) {
  const [other, setOther] = useState<Named[]>([]);
  const [equal, setEqual] = useState('energy');
  const to = other[0]?.key;
  const exchange = useQuery({
    queryKey: ['exchange', food, grams, to, equal],
    queryFn: () => take(api.GET('/api/table/exchange', { params: { query: { from: food, grams, to: to ?? '', equal } } })),
    enabled: to !== undefined,
    retry: false,
  });
  const problem = exchange.error instanceof Problem ? exchange.error : null;
  return (
    <SheetDialog title={`Instead of ${number(grams, 0)} g ${name}`} onClose={onClose}>
      <div className="space-y-3 text-sm">
        <div className="flex flex-wrap items-end gap-4">
          <div>
            <span className="block font-semibold">Another food</span>
            <KeyPicker
              label="Another food"
              withFoods
              withPackets
              picked={other}
              classes={[]}
              onChange={(picked) => setOther(picked.slice(-1))}
            />
          </div>
          <Choice label="of equal" value={equal} onChange={setEqual} options={kept} />
        </div>
        <ProblemNote of={problem} />
        {to && exchange.data && !problem && (
          <div aria-live="polite">
            <p className="text-base">
              <b>
                {number(exchange.data.grams, 0)} g {exchange.data.to}
              </b>{' '}
              bring the same {exchange.data.equal.toLowerCase()}.
            </p>
            {exchange.data.stops.length > 0 && (
              <p className="text-beet">
                <b>Not for {exchange.data.stops.join(' and ')}:</b> an allergy that nothing relaxes.
              </p>
            )}
            {exchange.data.rejected.map((said) => (
              <p key={said} className="text-beet">
                {said}
              </p>
            ))}
            <dl className="figures mt-2 grid grid-cols-[auto_1fr] gap-x-4">
              {exchange.data.differences
                .filter((one) => Math.abs(one.difference) >= 0.05)
                .map((one) => (
                  <div key={one.name} className="contents">
                    <dt className="text-steel">{one.name}</dt>
                    <dd>
                      {number(Math.abs(one.difference), one.decimals)} {one.unit} {one.difference > 0 ? 'more' : 'less'}
                    </dd>
                  </div>
                ))}
            </dl>
          </div>
        )}
      </div>
    </SheetDialog>
  );
}

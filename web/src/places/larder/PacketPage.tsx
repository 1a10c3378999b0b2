import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { api, Problem, type Schemas, take } from '../../api/client';
import { Choice, Field, inputLook } from '../../pieces/Field';
import { VerdictMark } from '../../pieces/Lozenge';
import { number } from '../../pieces/show';

type Nutrient = Schemas['LabelNutrient'];

const countries: [Schemas['LabelCountry'], string][] = [
  ['unitedStates', 'United States'],
  ['canada', 'Canada'],
  ['europeanUnion', 'European Union'],
  ['unitedKingdom', 'United Kingdom'],
  ['australia', 'Australia'],
  ['newZealand', 'New Zealand'],
  ['other', 'elsewhere'],
];
const bases: [string, string][] = [
  ['total', 'fibre is in the carbohydrate'],
  ['available', 'fibre is listed apart'],
  ['availableWithoutPolyols', 'fibre and polyols are listed apart'],
];
const nutrients: [Nutrient, string, string][] = [
  ['energy', 'Energy', 'kcal'],
  ['fat', 'Fat', 'g'],
  ['saturatedFat', 'Saturated fat', 'g'],
  ['carbohydrate', 'Carbohydrate', 'g'],
  ['fibre', 'Fibre', 'g'],
  ['sugars', 'Sugars', 'g'],
  ['addedSugars', 'Added sugars', 'g'],
  ['polyols', 'Polyols', 'g'],
  ['protein', 'Protein', 'g'],
  ['sodium', 'Sodium', 'mg'],
  ['salt', 'Salt', 'g'],
];

/** A packet typed as it is printed, and live beside it what it hides, what it holds and who may eat it. Nothing is kept yet. */
export function PacketPage() {
  const [country, setCountry] = useState<Schemas['LabelCountry']>('europeanUnion');
  const [basis, setBasis] = useState('total');
  const [serving, setServing] = useState('100');
  const [servings, setServings] = useState('1');
  const [typed, setTyped] = useState<Partial<Record<Nutrient, string>>>({});
  const [statement, setStatement] = useState('');
  const body: Schemas['PacketRequest'] = {
    country,
    basis: country === 'other' ? (basis as Schemas['LabelBasis']) : null,
    servingGrams: Number(serving.replace(',', '.')) || 0,
    servings: Number(servings.replace(',', '.')) || 0,
    values: nutrients.flatMap(([nutrient]) => (typed[nutrient]?.trim() ? [{ nutrient, printed: typed[nutrient] ?? '' }] : [])),
    statement,
  };
  const packet = useRead(JSON.stringify(body));
  const problem = packet.error instanceof Problem ? packet.error : null;
  const read = new Map((problem ? [] : (packet.data?.values ?? [])).map((value) => [value.nutrient, value]));
  const batch = body.servings !== 1;
  return (
    <div className="mx-auto grid max-w-6xl gap-6 p-4 md:p-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="min-w-0">
        <Link to="/larder" className="text-sm text-cobalt hover:underline">
          Larder
        </Link>
        <h1 className="mb-3 text-xl">Read a packet</h1>
        <div className="mb-4 flex flex-wrap gap-4">
          <Choice
            label="Country of the label"
            value={country}
            options={countries}
            onChange={(value) => setCountry(value as Schemas['LabelCountry'])}
          />
          {country === 'other' && <Choice label="Carbohydrate" value={basis} options={bases} onChange={setBasis} />}
          <Field label="Values are for, g" inputMode="decimal" value={serving} onChange={setServing} className="w-32" />
          <Field label="A batch takes, servings" inputMode="decimal" value={servings} onChange={setServings} className="w-40" />
        </div>
        <table className="w-full text-sm">
          <thead className="text-left text-xs text-steel">
            <tr>
              <th className="font-normal">As printed</th>
              <th className="font-normal" />
              <th className="pl-3 text-right font-normal">stands for</th>
              <th className="pl-3 text-right font-normal">in 100 g</th>
              {batch && <th className="pl-3 text-right font-normal">in the batch</th>}
            </tr>
          </thead>
          <tbody className="figures">
            {nutrients.map(([nutrient, word, unit]) => {
              const value = read.get(nutrient);
              return (
                <tr key={nutrient} className="border-t border-line">
                  <td className="py-1">
                    <label htmlFor={`printed-${nutrient}`}>{word}</label>
                  </td>
                  <td className="py-1 whitespace-nowrap">
                    <input
                      id={`printed-${nutrient}`}
                      value={typed[nutrient] ?? ''}
                      onChange={(event) => setTyped({ ...typed, [nutrient]: event.target.value })}
                      className={`${inputLook} min-h-8! w-24 text-right`}
                    />{' '}
                    <span className="text-steel">{unit}</span>
                  </td>
                  <td className="py-1 pl-3 text-right whitespace-nowrap">{value && range(value.served)}</td>
                  <td className="py-1 pl-3 text-right whitespace-nowrap">{value && range(value.perHundredGrams)}</td>
                  {batch && <td className="py-1 pl-3 text-right whitespace-nowrap">{value && range(value.batch)}</td>}
                </tr>
              );
            })}
          </tbody>
        </table>
        <label className="mt-4 block font-semibold">
          Ingredients, as printed
          <textarea
            value={statement}
            onChange={(event) => setStatement(event.target.value)}
            rows={4}
            className={`${inputLook} mt-1 w-full font-normal`}
          />
        </label>
      </div>
      <aside aria-label="What it says" className="rimmed h-fit border-x border-b border-line p-4 text-sm">
        <h2 className="mb-2 text-lg">What it says</h2>
        {problem ? (
          <p role="alert">
            <b className="text-beet">{problem.title}</b> {problem.cure}
          </p>
        ) : (
          packet.data && <Says answer={packet.data} hasStatement={statement.trim() !== ''} />
        )}
      </aside>
    </div>
  );
}

function Says({ answer, hasStatement }: { answer: Schemas['PacketAnswer']; hasStatement: boolean }) {
  return (
    <div className="space-y-3">
      {answer.netCarbs && answer.totalCarbs ? (
        <p className="figures">
          Net carbs <b>{number(answer.netCarbs.best, 1)} g</b> in 100 g,{' '}
          {answer.netCarbs.high !== null && `between ${number(answer.netCarbs.low, 1)} and ${number(answer.netCarbs.high, 1)}`}; total carbs{' '}
          {number(answer.totalCarbs.best, 1)} g.
        </p>
      ) : (
        <p className="text-steel">Type the carbohydrate, and net carbs follow by the label’s country.</p>
      )}
      {answer.energyQuery && (
        <p>
          <b className="text-beet">Energy and macros do not go together.</b> {answer.energyQuery}
        </p>
      )}
      {hasStatement ? (
        <>
          {answer.holds.length > 0 && (
            <p>
              Holds{' '}
              {answer.holds.map((held, at) => (
                <span key={held.class}>
                  {at > 0 && ', '}
                  <b className={held.allergen ? '' : 'font-medium'}>{held.class}</b> <span className="text-steel">“{held.words}”</span>
                </span>
              ))}
              .
            </p>
          )}
          {answer.mayContain.length > 0 && <p>May contain {answer.mayContain.map((held) => held.class).join(', ')}.</p>}
          {answer.cannotTell.length > 0 && <p>Nobody can tell from “{answer.cannotTell.join('”, “')}”.</p>}
          {answer.verdicts.map((verdict) => (
            <div key={verdict.eater} className="border-t border-line pt-2">
              <p className="flex justify-between gap-2 font-semibold">
                {verdict.eater} <VerdictMark verdict={verdict.verdict} className="text-sm" />
              </p>
              {verdict.because.map((because) => (
                <p key={because}>{because}</p>
              ))}
            </div>
          ))}
          {answer.verdicts.length === 0 && <p className="text-steel">Nobody at the table leaves anything out.</p>}
        </>
      ) : (
        <p className="text-steel">Type or paste the ingredients, and everybody’s verdict follows.</p>
      )}
      <p className="text-xs text-steel">
        Values are rounded by law; a printed one stands for a range, and a batch adds the ranges of one packet up.
      </p>
    </div>
  );
}

const range = (value: Schemas['ShownEstimate']) =>
  value.high === null
    ? 'not known'
    : value.low === value.high
      ? number(value.low, 2)
      : `${number(value.low, 1)} to ${number(value.high, 1)}`;

/** Reads a moment after the last key. */
function useRead(body: string) {
  const [asked, setAsked] = useState(body);
  useEffect(() => {
    const timer = setTimeout(() => setAsked(body), 250);
    return () => clearTimeout(timer);
  }, [body]);
  return useQuery({
    queryKey: ['packet', asked],
    queryFn: () => take(api.POST('/api/larder/packet', { body: JSON.parse(asked) as Schemas['PacketRequest'] })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

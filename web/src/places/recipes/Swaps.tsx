import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Lozenge } from '../../pieces/Lozenge';
import { number, verdictWord } from '../../pieces/show';
import { useRecipe, useSaveRecipe } from './queries';

type Offer = Schemas['SwapOffer'];
/** A finding of an eater's rule about a recipe, or about one of its variants. */
type SwapOf = { id: string; variant: string | null; eater: string; rule: string };

/** What would make a finding fit: asked for by one press, taken by another. */
export function Swaps({ about, ...of }: SwapOf & { about: string }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <div className="mt-1">
      <Button
        look="bare"
        aria-expanded={isOpen}
        aria-label={`What would make it fit: ${about}`}
        onClick={() => setOpen(!isOpen)}
        className="-ml-1"
      >
        What would make it fit?
      </Button>
      {isOpen && <Offers {...of} />}
    </div>
  );
}

/** Why nothing is offered: nothing does, or nobody can be sure while a line is unknown. */
function NothingFits({ id }: { id: string }) {
  const unknown = (useRecipe(id).data?.lines ?? []).filter((line) => !line.isOptional && (line.grams === null || line.food === null));
  return (
    <p className="text-steel">
      No small change of this dish does: neither less of something, nor another food, nor more portions.
      {unknown.length > 0 &&
        ` Nobody can be sure of any while ${unknown.map((line) => `“${line.text.trim()}”`).join(', ')} ${unknown.length > 1 ? 'are' : 'is'} unknown: settle that first.`}
    </p>
  );
}

function Offers({ id, variant, eater, rule }: SwapOf) {
  const offers = useQuery({
    queryKey: ['recipes', id, 'swaps', variant, eater, rule],
    queryFn: () =>
      take(
        api.GET('/api/recipes/{id}/swaps', {
          params: { path: { id }, query: { eater, rule, ...(variant === null ? {} : { variant }) } },
        }),
      ),
  });
  return (
    <Asked of={offers}>
      {(found) =>
        found.length === 0 ? (
          <NothingFits id={id} />
        ) : (
          <ol className="space-y-3">
            {found.map((offer) => (
              <OneOffer key={offer.words} id={id} variant={variant} offer={offer} />
            ))}
          </ol>
        )
      }
    </Asked>
  );
}

/** The words of a change, what it does to everybody and to the numbers, and the two ways to take it. */
function OneOffer({ id, variant, offer }: { id: string; variant: string | null; offer: Offer }) {
  const navigate = useNavigate();
  const { save, isPending } = useSaveRecipe(id);
  const { asVariant, variantName } = offer;
  return (
    <li className="border-t border-line pt-2">
      <p className="font-semibold first-letter:uppercase">{offer.words}</p>
      <table className="figures mt-1 w-full text-xs">
        <thead>
          <tr className="text-steel">
            <th>
              <span className="sr-only">What</span>
            </th>
            <th className="text-right font-normal">now</th>
            <th className="pl-3 text-right font-normal">then</th>
          </tr>
        </thead>
        <tbody>
          {offer.verdicts.map((one) => (
            <tr key={one.eaterId}>
              <th scope="row" className="py-0.5 text-left font-normal text-steel">
                {one.eater}
              </th>
              <td className="text-right">
                <Verdict of={one.before} />
              </td>
              <td className="pl-3 text-right">
                <Verdict of={one.after} />
              </td>
            </tr>
          ))}
          {offer.numbers
            .filter((one) => number(one.before, one.decimals) !== number(one.after, one.decimals))
            .map((one) => (
              <tr key={one.name}>
                <th scope="row" className="py-0.5 text-left font-normal text-steel">
                  {one.name}
                </th>
                <td className="text-right whitespace-nowrap text-steel">{number(one.before, one.decimals)}</td>
                <td className="pl-3 text-right whitespace-nowrap">
                  {number(one.after, one.decimals)} {one.unit}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      <div className="mt-1 flex flex-wrap gap-2">
        {asVariant && variantName && (
          <Button
            disabled={isPending}
            onClick={() =>
              save(asVariant, {
                say: `“${variantName}” is a variant now.`,
                first: () => navigate(`/recipes/${id}?as=${encodeURIComponent(variantName)}`),
              })
            }
          >
            Take as variant
          </Button>
        )}
        <Button
          disabled={isPending}
          onClick={() => save(offer.asChange, { say: variant === null ? 'The recipe is changed.' : `“${variant}” is changed.` })}
        >
          {variant === null ? 'Change the recipe' : `Change “${variant}”`}
        </Button>
      </div>
    </li>
  );
}

function Verdict({ of }: { of: Schemas['SwapVerdict']['before'] }) {
  return (
    <span className="inline-flex items-center gap-1 whitespace-nowrap">
      <Lozenge verdict={of} size={11} /> {verdictWord[of]}
    </span>
  );
}

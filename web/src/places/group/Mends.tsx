import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Lozenge } from '../../pieces/Lozenge';
import { verdictWord } from '../../pieces/show';
import { useSaveRecipe } from '../recipes/queries';
import { howMany } from './made';
import { type DraftDish, type Menu, useMenuEdits } from './queries';

/** What would make a dish fit for most of those for whom it does not: asked for by one press. */
export function Mends({ menu, dish }: { menu: Menu; dish: DraftDish }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <div className="mb-4 text-sm">
      <Button look="bare" className="-ml-1" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        What would mend most?
      </Button>
      {isOpen && <Found menu={menu} dish={dish} />}
    </div>
  );
}

function Found({ menu, dish }: { menu: Menu; dish: DraftDish }) {
  const mends = useQuery({
    queryKey: ['group', 'mends', menu.id, dish],
    queryFn: () => take(api.GET('/api/groups/menus/{id}/dishes/{dish}/mends', { params: { path: { id: menu.id, dish: dish.id } } })),
  });
  const { save, isPending } = useSaveRecipe(dish.recipe);
  const edits = useMenuEdits();
  return (
    <Asked of={mends}>
      {(found) =>
        found.length === 0 ? (
          <p className="text-steel">No small change of this dish makes it fit for more of them.</p>
        ) : (
          <ol>
            {found.map(({ offer, counts, fitsMore }) => (
              <li key={offer.words} className="border-t border-line py-1.5 last:border-b">
                <p className="font-semibold first-letter:uppercase">{offer.words}</p>
                <p className="flex flex-wrap gap-x-4 text-steel">
                  Fits for {fitsMore === null ? 'more' : `${fitsMore} more`}, then:
                  {counts.map((one) => (
                    <span key={one.verdict} className="inline-flex items-center gap-1.5">
                      <Lozenge verdict={one.verdict} size={14} /> {verdictWord[one.verdict]}: {howMany(one)}
                    </span>
                  ))}
                </p>
                {offer.asVariant && offer.variantName && (
                  <Button
                    look="bare"
                    className="-ml-1"
                    disabled={isPending || edits.isPending}
                    onClick={() =>
                      offer.asVariant &&
                      void save(offer.asVariant, {
                        say: `“${offer.variantName}” is a variant of ${dish.name} now.`,
                        first: () => void edits.serve(menu.id, dish.id, { isNewest: true, portions: null, variants: null }, dish.name),
                      })
                    }
                  >
                    Make it a variant
                  </Button>
                )}
              </li>
            ))}
          </ol>
        )
      }
    </Asked>
  );
}

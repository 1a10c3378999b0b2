import { type FormEvent, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { Choice } from '../../pieces/Field';
import { Lozenge } from '../../pieces/Lozenge';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { minutes, verdictWord } from '../../pieces/show';
import { Mends } from './Mends';
import { howMany } from './made';
import type { DraftDish, Followed, Menu } from './queries';
import { useMenuEdits } from './queries';

const amounts: [string, string][] = Array.from({ length: 17 }, (_, quarters) => [
  `${quarters / 4}`,
  quarters === 0 ? 'none of it' : quarters === 4 ? '1 portion' : `${quarters / 4} portions`,
]);

type Check = Schemas['DishCheckSheet'];
type Props = { menu: Menu; dish: DraftDish; check: Check | undefined; follows: Followed[]; onDone: () => void };

/** Whom a dish suits and why not, how much of it each tier has, what is made of it for those who follow something. */
export function DishDialog({ menu, dish, check, follows, onDone }: Props) {
  const edits = useMenuEdits();
  const [portions, setPortions] = useState(() => Object.fromEntries(dish.portions.map((one) => [one.tier, `${one.portions}`])));
  const [variants, setVariants] = useState(() => Object.fromEntries(dish.variants.map((one) => [one.protocol, one.variant])));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const body = {
      isNewest: false,
      portions: menu.tiers.map(({ name }) => ({ tier: name, portions: Number(portions[name] ?? 1) })),
      variants: Object.entries(variants).flatMap(([protocol, variant]) => (variant ? [{ protocol, variant }] : [])),
    };
    void edits.serve(menu.id, dish.id, body, dish.name).then((isDone) => isDone && onDone());
  };
  return (
    <SheetDialog title={dish.name} onClose={onDone} wide>
      {check && <Verdicts of={check} />}
      {check?.counts.some((one) => one.verdict === 'breaks' || one.verdict === 'cannotTell') && <Mends menu={menu} dish={dish} />}
      <form onSubmit={submit} className="flex flex-col gap-3">
        {menu.tiers.length === 0 && <p className="text-sm text-steel">This menu has no tiers: everybody has one portion.</p>}
        <div className="grid gap-3 sm:grid-cols-3">
          {menu.tiers.map(({ name, energyKcal }) => (
            <Choice
              key={name}
              label={`${name} (${energyKcal.toLocaleString('en')} kcal)`}
              value={portions[name] ?? '1'}
              onChange={(value) => setPortions({ ...portions, [name]: value })}
              options={amounts}
            />
          ))}
        </div>
        {dish.can.length === 0 ? (
          <p className="text-sm text-steel">
            The recipe has no variants. Make one on its sheet, such as “without curd”, and it can be made here for those who follow
            something.
          </p>
        ) : (
          <fieldset className="grid gap-3 sm:grid-cols-2">
            <legend className="mb-1 text-sm text-steel">Made otherwise for those who follow something</legend>
            {follows.map(({ id, name }) => (
              <Choice
                key={id}
                label={name}
                value={variants[id] ?? ''}
                onChange={(value) => setVariants({ ...variants, [id]: value })}
                options={[['', 'as written'], ...dish.can.map((one): [string, string] => [one, one])]}
              />
            ))}
          </fieldset>
        )}
        <ProblemNote of={edits.problem} />
        <Button type="submit" look="main" disabled={edits.isPending}>
          Keep it
        </Button>
      </form>
    </SheetDialog>
  );
}

function Verdicts({ of }: { of: Check }) {
  const takes = [of.handsOn > 0 && `${minutes(of.handsOn)} by hand`, of.cost !== null && `${of.cost.toFixed(2)} a portion`].filter(Boolean);
  return (
    <div className="mb-4 text-sm">
      <p className="flex flex-wrap gap-x-4">
        {of.counts.map((one) => (
          <span key={one.verdict} className="inline-flex items-center gap-1.5">
            <Lozenge verdict={one.verdict} size={14} /> {verdictWord[one.verdict]}: {howMany(one)}
          </span>
        ))}
        {takes.length > 0 && <span className="figures text-steel">{takes.join(', ')}</span>}
      </p>
      <ul className="mt-1 max-h-60 overflow-auto">
        {of.reasons.map((reason) => (
          <li key={reason.because} className="border-t border-line py-1">
            <b>
              {verdictWord[reason.verdict]} for {reason.members ?? 'a few'}:
            </b>{' '}
            {reason.because}
          </li>
        ))}
      </ul>
    </div>
  );
}

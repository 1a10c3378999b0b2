import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, kept, type Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Lozenge } from '../../pieces/Lozenge';
import { dayMonth, verdictWord } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { BringRecipe } from './BringRecipe';
import { DayRows } from './Days';
import { EnclosedPanel } from './EnclosedPanel';
import { HandOut } from './HandOut';
import { IntoWeekDialog } from './IntoWeekDialog';
import { MemberQuestions } from './MemberQuestions';
import { amountOf, variantOf } from './made';
import { OutboxView } from './OutboxView';
import { Parts, usePart } from './Parts';
import { type Followed, type MemberMenu, useMemberMenus } from './queries';
import { Sharing } from './Sharing';

/** What the groups one belongs to have published, judged by the rules of the own table. */
export function MemberView({ groups, today }: { groups: Schemas['GroupSheet'][]; today: string }) {
  const menus = useMemberMenus();
  const part = usePart();
  if (groups.length === 0)
    return (
      <section>
        <h1 className="text-2xl">Group</h1>
        <p className="mt-1 max-w-prose text-steel">
          You belong to no group. Who runs one sends you a link; it opens here. You read its menus, each dish judged by your own table’s
          rules, and take home what you like.
        </p>
      </section>
    );
  return (
    <Asked of={menus}>
      {(all) => (
        <>
          <Parts
            label="Parts of the group"
            of={[
              ['menus', 'Menus', 0],
              ['asked', 'Questions', 0],
              ['brought', 'What you bring', 0],
              ['mail', 'Mail', 0],
            ]}
          />
          {part === 'mail' && <OutboxView />}
          {(part === 'mail' ? [] : groups).map((group) => (
            <GroupMenus key={group.id} today={today} group={group} menus={all.filter((menu) => menu.group === group.id)} />
          ))}
        </>
      )}
    </Asked>
  );
}

function GroupMenus({ group, menus, today }: { group: Schemas['GroupSheet']; menus: MemberMenu[]; today: string }) {
  const edit = useEdit();
  const part = usePart();
  return (
    <section className="space-y-4">
      <div className="flex flex-wrap items-baseline gap-3">
        <h1 className="mr-auto text-xl">{group.name}</h1>
        {part === 'menus' && (
          <Button
            look="bare"
            onClick={() =>
              void edit.run({
                say: `You left ${group.name}.`,
                ask: () => kept(api.DELETE('/api/groups/{group}/membership', { params: { path: { group: group.id } } })),
              })
            }
          >
            Leave this group
          </Button>
        )}
      </div>
      {part === 'asked' ? (
        <MemberQuestions group={group.id} menus={menus} />
      ) : part === 'brought' ? (
        <BringRecipe group={group.id} />
      ) : (
        <>
          <div>
            <Sharing group={group} />
            <EnclosedPanel group={group.id} />
          </div>
          {menus.length === 0 && <p className="text-steel">Nothing is published yet.</p>}
          {menus.map((menu) => (
            <PublishedMenu key={menu.menu} menu={menu} today={today} />
          ))}
        </>
      )}
    </section>
  );
}

const told = (what: string, names: string[]) => (names.length > 0 ? `${what}: ${names.join(', ')}.` : '');

function PublishedMenu({ menu, today }: { menu: MemberMenu; today: string }) {
  const [asking, setAsking] = useState<string | null>(null);
  const edit = useEdit();
  const take = (days: number[]) =>
    void edit.run({
      say: ({ brought, renewed, there }) =>
        brought.length + renewed.length === 0
          ? `All of it is in your library already: ${there.join(', ')}.`
          : [told('Now in your library', brought), told('Renewed there', renewed), told('There before', there)].join(' ').trim(),
      ask: () =>
        kept(
          api.POST('/api/groups/{group}/menus/{menu}/take', { params: { path: { group: menu.group, menu: menu.menu } }, body: { days } }),
        ),
    });
  return (
    <article>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <div className="mr-auto min-w-0">
          <h2 className="text-lg">{menu.name}</h2>
          <p className="text-sm text-steel">
            Version {menu.number}, published {dayMonth(menu.publishedAt.slice(0, 10))}
          </p>
        </div>
        <div className="flex gap-2">
          <Button look="main" onClick={() => setAsking('')}>
            Into your week …
          </Button>
          <Button disabled={edit.isPending} onClick={() => take([])}>
            Take all of it home
          </Button>
        </div>
      </div>
      {menu.changed && menu.taken.every((taken) => taken.since.length === 0) && (
        <p className="mb-2 max-w-prose border-l-2 border-cobalt pl-2 text-sm">
          <b>Corrected:</b> {menu.changed}
        </p>
      )}
      {menu.taken.map((taken) => (
        <p key={taken.week} className="mb-2 max-w-prose text-sm">
          On your{' '}
          <Link to={`/week/${taken.week}`} className="font-semibold text-cobalt hover:underline">
            week of {dayMonth(taken.week)}
          </Link>
          , as version {taken.number}.
          {taken.since.length > 0 && (
            <>
              {' '}
              <b>Corrected since:</b> {taken.since.join('; ')}.{' '}
              <Button look="bare" className="-mx-1" onClick={() => setAsking(taken.week)}>
                See what that changes there
              </Button>
            </>
          )}
        </p>
      ))}
      {menu.note && <p className="mb-2 max-w-prose text-sm whitespace-pre-line">{menu.note}</p>}
      <DayRows
        of={menu}
        beside={(day) =>
          menu.dishes.some((dish) => dish.day === day) && (
            <Button look="bare" className="-ml-1 max-sm:ml-auto" onClick={() => take([day])}>
              Take home
            </Button>
          )
        }
      >
        {(day, meal) => (
          <ul>
            {menu.dishes
              .filter((dish) => dish.day === day && dish.meal === meal)
              .map((dish, at) => {
                const recipe = menu.recipes[dish.recipe];
                return recipe && <Dish key={at} dish={dish} recipe={recipe} follows={menu.follows} />;
              })}
          </ul>
        )}
      </DayRows>
      <div className="mt-2">
        <HandOut group={menu.group} menu={menu.menu} />
      </div>
      {asking !== null && <IntoWeekDialog menu={menu} today={today} week={asking} onDone={() => setAsking(null)} />}
    </article>
  );
}

const libraryHas: Record<Exclude<Schemas['EnclosedState'], 'new'>, string> = {
  there: 'It is in your library.',
  newer: 'It is in your library as you took it; the group has a newer one, which comes when you take it home again.',
  own: 'A recipe of this name is in your library, and stays as it is.',
  ownAndNewer: 'You changed yours, and it stays; the group has a newer one since you took it.',
};

function Dish({ dish, recipe, follows }: { dish: Schemas['MemberDish']; recipe: Schemas['MemberRecipe']; follows: Followed[] }) {
  const made = [...dish.portions.map((one) => amountOf(one)), ...dish.variants.map((one) => variantOf(one, follows))];
  return (
    <Disclosure as="li" className="text-sm">
      <DisclosureButton className="flex min-h-6 w-full items-start gap-2 py-0.5 text-left hover:text-cobalt max-sm:min-h-9">
        <span className="min-w-0 flex-1">{recipe.name}</span>
        <span className="flex gap-0.5 pt-0.5">
          {dish.verdicts.map((one) => (
            <span key={one.eater}>
              <Lozenge verdict={one.verdict} size={14} />
              <span className="sr-only">
                {one.name}: {verdictWord[one.verdict]}.
              </span>
            </span>
          ))}
        </span>
      </DisclosureButton>
      <DisclosurePanel className="pb-1 text-steel">
        {recipe.problem && <p>It can’t be read here: {recipe.problem}</p>}
        {dish.verdicts.map((one) => (
          <p key={one.eater}>
            <b className="text-rim">
              {one.name}
              {one.variant && `, ${one.variant}`}: {verdictWord[one.verdict]}.
            </b>{' '}
            {one.because}
          </p>
        ))}
        {made.map((said) => (
          <p key={said}>{said}</p>
        ))}
        {recipe.state !== 'new' && <p>{libraryHas[recipe.state]}</p>}
      </DisclosurePanel>
    </Disclosure>
  );
}

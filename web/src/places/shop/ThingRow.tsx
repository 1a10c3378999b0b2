import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Ellipsis } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, kept, type Schemas } from '../../api/client';
import { putIntoOutbox } from '../../pieces/outbox';
import { money } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { Tick } from '../../pieces/Tick';
import { useEdit } from '../../pieces/useEdit';
import { InsteadDialog } from './InsteadDialog';

type Props = { item: Schemas['ShopItem']; week: string; shop: string };

/** One thing on the list: a tick brings it into stock as it is sold. */
export function ThingRow({ item, week, shop }: Props) {
  const isLong = item.batches.length > 2;
  return (
    <li className="border-t border-line">
      <div className="flex items-start">
        <label className="flex min-h-11 min-w-0 flex-1 cursor-pointer items-start gap-2 py-1.5">
          <Tick
            isTicked={item.isTicked}
            onTick={(isTicked) =>
              putIntoOutbox({
                kind: 'shop',
                week,
                say: `${item.name}, ${isTicked ? 'ticked' : 'not ticked'}`,
                body: { key: item.key, isTicked, buy: item.buy, shop: shop.trim(), isMore: isTicked && item.came !== '' },
              })
            }
            className="mt-0.5 size-5 shrink-0"
          />
          <span className={`min-w-0 flex-1 text-sm ${item.isTicked ? 'text-steel line-through' : ''}`}>
            <span className="flex items-baseline justify-between gap-2">
              <span className="font-semibold">{item.name}</span>
              <span className="figures text-right whitespace-nowrap">{item.buy?.amount ?? item.needed}</span>
            </span>
            {isLong && <Letters item={item} />}
            <Small item={item} />
          </span>
          {!isLong && <Letters item={item} />}
        </label>
        {item.food && <More item={item} food={item.food} week={week} />}
      </div>
      <LeftOver item={item} />
    </li>
  );
}

/** The batches that need it. */
function Letters({ item }: { item: Schemas['ShopItem'] }) {
  return (
    <span className="flex shrink-0 flex-wrap gap-0.5" title={item.batches.map((need) => `${need.tape} ${need.amount}`).join(', ')}>
      {item.batches.map((need) => (
        <Tape key={need.tape} letter={need.letter} />
      ))}
    </span>
  );
}

/** What is small beside a thing: how much is needed of it, what is there, what to know, what is left of the pack. */
function Small({ item }: { item: Schemas['ShopItem'] }) {
  const needed = item.buy && item.buy.amount !== item.needed ? `${item.needed} needed` : '';
  const cost = item.buy?.cost != null ? money(item.buy.cost) : '';
  return (
    <>
      {item.insteadOf.length > 0 && <Line words={[`instead of ${item.insteadOf.map((was) => was.name).join(', ')}`]} />}
      <Line words={[item.for && `for ${item.for}`, needed, cost, item.came ? `in stock: ${item.came}` : item.shop]} />
      {item.inStock && <Line words={[`there already: ${item.inStock}`]} />}
      {item.notes.map((said) => (
        <span key={said} className="block text-xs text-beet">
          {said}
        </span>
      ))}
      {item.asTyped.map((text) => (
        <Line key={text} words={[`as typed: ${text}`]} />
      ))}
    </>
  );
}

/** What stays of the packs, and what it could go into. */
function LeftOver({ item }: { item: Schemas['ShopItem'] }) {
  if (!item.leftOver || item.isTicked) return null;
  return (
    <p className="-mt-1 pb-1.5 pl-7 text-xs text-steel print:hidden">
      {item.leftOver} left over
      {item.uses.length > 0 && ': '}
      {item.uses.map((use, at) => (
        <span key={use.recipeId}>
          {at > 0 && ' or '}
          <Link to={`/recipes/${use.recipeId}`} className="text-cobalt underline underline-offset-2">
            {use.name}
          </Link>{' '}
          takes {use.takes}
        </span>
      ))}
    </p>
  );
}

function Line({ words }: { words: (string | false)[] }) {
  const said = words.filter(Boolean);
  return said.length === 0 ? null : <span className="block text-xs text-steel">{said.join(' · ')}</span>;
}

const choice = 'flex min-h-11 w-full items-center px-3 text-left text-sm data-focus:bg-tray';

function More({ item, food, week }: { item: Schemas['ShopItem']; food: string; week: string }) {
  const edit = useEdit();
  const [isChoosing, setChoosing] = useState(false);
  return (
    <>
      {isChoosing && <InsteadDialog item={item} food={food} week={week} onClose={() => setChoosing(false)} />}
      <Menu>
        <MenuButton
          aria-label={`More for ${item.name}`}
          className="flex size-11 items-center justify-center text-steel hover:text-rim print:hidden"
        >
          <Ellipsis size={16} />
        </MenuButton>
        <MenuItems anchor="bottom end" className="rimmed z-30 min-w-48 shadow-xl">
          <MenuItem>
            <button type="button" className={choice} onClick={() => setChoosing(true)}>
              Take something else …
            </button>
          </MenuItem>
          {item.insteadOf.map((was) => (
            <MenuItem key={was.key}>
              <button
                type="button"
                className={choice}
                onClick={() =>
                  edit.run({
                    ask: () =>
                      kept(
                        api.POST('/api/weeks/{date}/shop/instead', { params: { path: { date: week } }, body: { food, instead: was.key } }),
                      ),
                    say: `${was.name} after all.`,
                  })
                }
              >
                {was.name} after all
              </button>
            </MenuItem>
          ))}
          <MenuItem>
            <button
              type="button"
              className={choice}
              onClick={() =>
                edit.run({
                  ask: () => kept(api.PUT('/api/larder/staples', { body: { food, isStaple: !item.isStaple } })),
                  say: item.isStaple ? `${item.name} is on the list again.` : `${item.name} is always there.`,
                })
              }
            >
              {item.isStaple ? 'Not always there' : 'Always there'}
            </button>
          </MenuItem>
          <MenuItem>
            <Link to={`/larder/prices?food=${encodeURIComponent(item.name)}`} className={choice}>
              Note its price
            </Link>
          </MenuItem>
          <MenuItem>
            <Link to={`/larder/foods/${encodeURIComponent(food)}`} className={choice}>
              Open in the Larder
            </Link>
          </MenuItem>
        </MenuItems>
      </Menu>
    </>
  );
}

import { useQuery } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';
import { useForgetEverything } from '../../pieces/account';
import { dayMonth } from '../../pieces/show';
import { Doors } from './Doors';
import { LinkPage } from './LinkPage';
import type { Link } from './link';
import { useDoor } from './useDoor';

/** Into a kitchen, with the account that is there or with a new one. */
export function JoinPage({ link, person }: { link: Link; person: Schemas['PersonState'] | null }) {
  const params = { params: { path: link } };
  const invited = useQuery({ queryKey: ['join', link], queryFn: () => take(api.GET('/api/join/{household}/{secret}', params)) });
  const forget = useForgetEverything();
  const door = useDoor(() => {
    history.replaceState(null, '', '/');
    return forget();
  });
  return (
    <LinkPage
      invited={invited}
      title={({ household }) => household}
      words={({ madeBy, expiresAt }) =>
        `${madeBy} asks you into this kitchen: its table, recipes, weeks and shelf. The link is open until ${dayMonth(expiresAt.slice(0, 10))}.`
      }
      come={
        person && {
          word: `Come in as ${person.name}`,
          run: () => door.enter(take(api.POST('/api/join/{household}/{secret}', params))),
          note: `${person.household} stays yours beside it; your name above changes between them.`,
        }
      }
      door={door}
      doors={<Doors door={door} link={link} />}
    />
  );
}

import { useQuery } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';
import { useForgetEverything } from '../../pieces/account';
import { Doors } from '../account/Doors';
import { LinkPage } from '../account/LinkPage';
import { useDoor } from '../account/useDoor';

/** Into a group: who is signed in joins, who is not signs in or up first. */
export function JoinGroupPage({ link, person }: { link: { group: string; secret: string }; person: Schemas['PersonState'] | null }) {
  const params = { params: { path: link } };
  const invited = useQuery({ queryKey: ['group', 'join', link], queryFn: () => take(api.GET('/api/join-group/{group}/{secret}', params)) });
  const forget = useForgetEverything();
  const signedIn = useDoor(forget);
  const joined = useDoor(() => {
    history.replaceState(null, '', '/group');
    return forget();
  });
  return (
    <LinkPage
      invited={invited}
      title={({ group }) => group}
      words={() =>
        'You are asked to join this group: you read the menus that it publishes and take home what you like. Nothing of your kitchen is shared.'
      }
      come={
        person && {
          word: `Join as ${person.name}`,
          run: () => joined.enter(take(api.POST('/api/join-group/{group}/{secret}', params))),
        }
      }
      door={joined}
      doors={<Doors door={signedIn} link={null} />}
    />
  );
}

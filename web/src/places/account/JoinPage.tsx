import { useQuery } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { useForgetEverything } from '../../pieces/account';
import { Button } from '../../pieces/Button';
import { ProblemNote } from '../../pieces/ProblemNote';
import { dayMonth } from '../../pieces/show';
import { Doors } from './Doors';
import type { Link } from './link';
import { useDoor } from './useDoor';

/** What a link leads to: into a kitchen, with the account that is there or with a new one. */
export function JoinPage({ link, person }: { link: Link; person: Schemas['PersonState'] | null }) {
  const params = { params: { path: link } };
  const invited = useQuery({ queryKey: ['join', link], queryFn: () => take(api.GET('/api/join/{household}/{secret}', params)) });
  const forget = useForgetEverything();
  const home = () => {
    history.replaceState(null, '', '/');
    return forget();
  };
  const door = useDoor(home);
  return (
    <main className="mx-auto max-w-md p-6 pt-[12vh]">
      <Asked of={invited}>
        {({ household, madeBy, expiresAt }) => (
          <>
            <h1 className="text-2xl">{household}</h1>
            <p className="mt-1 mb-6 text-lg text-steel">
              {madeBy} asks you into this kitchen: its table, recipes, weeks and shelf. The link is open until{' '}
              {dayMonth(expiresAt.slice(0, 10))}.
            </p>
            {person ? (
              <div className="space-y-3">
                <Button
                  look="main"
                  disabled={door.isBusy}
                  onClick={() => door.enter(take(api.POST('/api/join/{household}/{secret}', params)))}
                >
                  Come in as {person.name}
                </Button>
                <p className="text-sm text-steel">{person.household} stays yours beside it; your name above changes between them.</p>
                <ProblemNote of={door.problem} />
              </div>
            ) : (
              <Doors door={door} link={link} />
            )}
          </>
        )}
      </Asked>
      {invited.isError && (
        <a href="/" className="m-6 font-semibold text-cobalt hover:underline">
          To the first page
        </a>
      )}
    </main>
  );
}

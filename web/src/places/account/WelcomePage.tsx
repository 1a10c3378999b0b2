import { api, type Schemas, take } from '../../api/client';
import { useForgetEverything } from '../../pieces/account';
import { Button } from '../../pieces/Button';
import { Tape } from '../../pieces/Tape';
import { Doors } from './Doors';
import { useDoor } from './useDoor';

/** The door: sign in, sign up, or walk in as one of the demo people. */
export function WelcomePage({ demoPeople }: { demoPeople: Schemas['DemoPerson'][] }) {
  const forget = useForgetEverything();
  const door = useDoor(forget);
  return (
    <main className="mx-auto grid min-h-dvh max-w-5xl content-center gap-10 p-6 md:grid-cols-[1.1fr_1fr]">
      <section className="self-center">
        <div className="mb-6 flex gap-2" aria-hidden="true">
          <Tape letter="A" name="Sun supper" big />
          <Tape letter="B" name="Mon lunch" big />
          <Tape letter="C" name="frozen" big />
        </div>
        <h1 className="text-2xl font-bold">Merienda</h1>
        <p className="mt-2 max-w-md text-lg text-steel">
          Plan a week of containers, cook it in one afternoon, and know for everyone at the table what fits and why.
        </p>
        {demoPeople.length > 0 && (
          <div className="mt-8">
            <h2 className="mb-2 text-base">Look around as somebody from Port Ansel</h2>
            <ul className="flex flex-wrap gap-2">
              {demoPeople.map((person) => (
                <li key={person.id}>
                  <Button
                    disabled={door.isBusy}
                    onClick={() => door.enter(take(api.POST('/api/account/demo', { body: { id: person.id } })))}
                  >
                    {person.name}
                  </Button>
                </li>
              ))}
            </ul>
          </div>
        )}
      </section>
      <section className="rimmed self-center border-x border-b border-line p-5">
        <Doors door={door} link={null} />
      </section>
    </main>
  );
}

import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { type FormEvent, useState } from 'react';
import { api, Problem, type Schemas, take } from '../../api/client';
import { useForgetEverything } from '../../pieces/account';
import { Button } from '../../pieces/Button';
import { Field } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { Tape } from '../../pieces/Tape';

/** The door: sign in, sign up, or walk in as one of the demo people. */
export function WelcomePage({ demoPeople }: { demoPeople: Schemas['DemoPerson'][] }) {
  const forget = useForgetEverything();
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const enter = (door: Promise<unknown>) => {
    setBusy(true);
    door
      .then(() => forget())
      .catch((error: unknown) =>
        setProblem(error instanceof Problem ? error : new Problem(0, 'Something went wrong on this page.', 'Load it again.', '', '', '')),
      )
      .finally(() => setBusy(false));
  };
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
                  <Button disabled={busy} onClick={() => enter(take(api.POST('/api/account/demo', { body: { id: person.id } })))}>
                    {person.name}
                  </Button>
                </li>
              ))}
            </ul>
          </div>
        )}
      </section>
      <section className="rimmed self-center border-x border-b border-line p-5">
        <TabGroup onChange={() => setProblem(null)}>
          <TabList className="mb-4 flex gap-4 border-b border-line">
            {['Sign in', 'Sign up'].map((word) => (
              <Tab
                key={word}
                className="-mb-px border-b-2 border-transparent pb-2 font-semibold text-steel data-selected:border-cobalt data-selected:text-rim"
              >
                {word}
              </Tab>
            ))}
          </TabList>
          <TabPanels>
            <TabPanel>
              <SignIn enter={enter} problem={problem} busy={busy} />
            </TabPanel>
            <TabPanel>
              <SignUp enter={enter} problem={problem} busy={busy} />
            </TabPanel>
          </TabPanels>
        </TabGroup>
      </section>
    </main>
  );
}

type DoorProps = { enter: (door: Promise<unknown>) => void; problem: Problem | null; busy: boolean };

function SignIn({ enter, problem, busy }: DoorProps) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    enter(take(api.POST('/api/account/sign-in', { body: { email, password } })));
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <Field label="E-mail address" type="email" value={email} onChange={setEmail} autoComplete="username" required />
      <Field label="Password" type="password" value={password} onChange={setPassword} autoComplete="current-password" required />
      <ProblemNote of={problem} />
      <Button type="submit" look="main" disabled={busy}>
        Sign in
      </Button>
    </form>
  );
}

function SignUp({ enter, problem, busy }: DoorProps) {
  const [form, setForm] = useState({ name: '', householdName: '', email: '', password: '' });
  const set = (field: keyof typeof form) => (value: string) => setForm({ ...form, [field]: value });
  const wrong = (field: string) => (problem?.field === field ? `${problem.title} ${problem.cure}` : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    enter(take(api.POST('/api/account/sign-up', { body: { ...form, timeZone } })));
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <Field label="Your name" value={form.name} onChange={set('name')} problem={wrong('name')} autoComplete="name" required />
      <Field
        label="Your kitchen’s name"
        value={form.householdName}
        onChange={set('householdName')}
        problem={wrong('householdName')}
        required
      />
      <Field
        label="E-mail address"
        type="email"
        value={form.email}
        onChange={set('email')}
        problem={wrong('email')}
        autoComplete="username"
        required
      />
      <Field
        label="Password"
        type="password"
        value={form.password}
        onChange={set('password')}
        problem={wrong('password')}
        hint="At least 10 characters"
        autoComplete="new-password"
        required
      />
      {!problem?.field && <ProblemNote of={problem} />}
      <Button type="submit" look="main" disabled={busy}>
        Sign up
      </Button>
    </form>
  );
}

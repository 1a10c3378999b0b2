import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { type FormEvent, useState } from 'react';
import { api, take } from '../../api/client';
import { Button } from '../../pieces/Button';
import { Field } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import type { Link } from './link';
import type { Door } from './useDoor';

/** Sign in or sign up; by a link, a new account joins its kitchen. */
export function Doors({ door, link }: { door: Door; link: Link | null }) {
  return (
    <TabGroup defaultIndex={link ? 1 : 0} onChange={door.forgetProblem}>
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
          <SignIn door={door} />
        </TabPanel>
        <TabPanel>
          <SignUp door={door} link={link} />
        </TabPanel>
      </TabPanels>
    </TabGroup>
  );
}

function SignIn({ door }: { door: Door }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    door.enter(take(api.POST('/api/account/sign-in', { body: { email, password } })));
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <Field label="E-mail address" type="email" value={email} onChange={setEmail} autoComplete="username" required />
      <Field label="Password" type="password" value={password} onChange={setPassword} autoComplete="current-password" required />
      <ProblemNote of={door.problem} />
      <Button type="submit" look="main" disabled={door.isBusy}>
        Sign in
      </Button>
    </form>
  );
}

function SignUp({ door, link }: { door: Door; link: Link | null }) {
  const { problem } = door;
  const [form, setForm] = useState({ name: '', householdName: '', email: '', password: '' });
  const set = (field: keyof typeof form) => (value: string) => setForm({ ...form, [field]: value });
  const wrong = (field: string) => (problem?.field === field ? `${problem.title} ${problem.cure}` : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    door.enter(
      take(api.POST('/api/account/sign-up', { body: { ...form, householdName: link ? null : form.householdName, timeZone, join: link } })),
    );
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <Field label="Your name" value={form.name} onChange={set('name')} problem={wrong('name')} autoComplete="name" required />
      {!link && (
        <Field
          label="Your kitchen’s name"
          value={form.householdName}
          onChange={set('householdName')}
          problem={wrong('householdName')}
          required
        />
      )}
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
      <Button type="submit" look="main" disabled={door.isBusy}>
        Sign up
      </Button>
    </form>
  );
}

import { type FormEvent, useState } from 'react';
import type { Kept } from '../api/client';
import { useForgetEverything } from './account';
import { Button } from './Button';
import { Field } from './Field';
import { ProblemNote } from './ProblemNote';
import { useEdit } from './useEdit';

/** A household of some kind that is opened under a name, and worked in from then on. */
export function OpenByName({
  label,
  word,
  open,
}: {
  label: string;
  word: string;
  open: (body: { name: string; timeZone: string }) => Promise<Kept<unknown>>;
}) {
  const forget = useForgetEverything();
  const edit = useEdit();
  const [name, setName] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    void edit.run({ ask: () => open({ name, timeZone }), isTold: true, settle: () => forget() });
  };
  return (
    <>
      <form onSubmit={submit} className="flex items-end gap-2">
        <Field label={label} value={name} onChange={setName} className="w-64" />
        <Button type="submit" disabled={!name.trim() || edit.isPending}>
          {word}
        </Button>
      </form>
      <ProblemNote of={edit.problem} className="mt-2" />
    </>
  );
}

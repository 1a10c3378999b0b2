import { useState } from 'react';
import { Button } from '../../pieces/Button';
import { Field } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { type Submission, useDeskAnswers } from './brought';

/** What the desk does with a submitted recipe. */
export function SubmissionAnswer({ of, phrases }: { of: Submission; phrases: string[] }) {
  const answers = useDeskAnswers();
  const [reply, setReply] = useState('');
  const [name, setName] = useState(of.name);
  return (
    <div className="mt-3 grid gap-4 border-t border-line pt-3 md:grid-cols-2">
      <div className="space-y-2">
        <Field
          label="Its name in the library"
          value={name}
          onChange={setName}
          hint={of.isNameThere && name.trim() === of.name ? 'A recipe of this name is there: give this one another.' : undefined}
        />
        <Button
          look="main"
          disabled={answers.isPending || of.problem !== null || !name.trim()}
          onClick={() => void answers.takeUp(of.id, name)}
        >
          Take it up
        </Button>
        <p className="text-xs text-steel">Change it there afterwards: its versions say what was changed.</p>
      </div>
      <div className="space-y-2">
        <Field label="One line to who sent it" value={reply} onChange={setReply} />
        {phrases.length > 0 && (
          <ul aria-label="Said before" className="flex flex-wrap gap-x-2">
            {phrases.map((phrase) => (
              <li key={phrase}>
                <Button look="bare" className="whitespace-normal text-left font-normal" onClick={() => setReply(phrase)}>
                  {phrase}
                </Button>
              </li>
            ))}
          </ul>
        )}
        <div className="flex gap-2">
          <Button disabled={answers.isPending || !reply.trim()} onClick={() => void answers.askBack(of.id, reply)}>
            Ask back
          </Button>
          <Button disabled={answers.isPending || !reply.trim()} onClick={() => void answers.decline(of.id, reply)}>
            Decline
          </Button>
        </div>
      </div>
      <ProblemNote of={answers.problem} className="md:col-span-2" />
    </div>
  );
}

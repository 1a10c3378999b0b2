import { useState } from 'react';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { ProblemNote } from '../../pieces/ProblemNote';
import { Words } from '../../pieces/Words';
import { type Question, useAsked, useDeskAnswers } from './brought';
import { CareMarks } from './CareMarks';
import { QuestionHead } from './QuestionHead';
import type { Desk } from './queries';

/** What members ask: what may speak of harm first, then what is reported, then what waits. */
export function AskedQuestions({ desk }: { desk: Desk }) {
  const asked = useAsked();
  return (
    <Asked of={asked}>
      {({ questions, help, caution }) => (
        <section aria-label="Asked by members" className="max-w-3xl space-y-4">
          {questions.length === 0 && <p className="text-steel">Nobody has asked anything yet.</p>}
          <ul>
            {questions.map((one) => (
              <li key={one.id} className={`border-t border-line py-3 last:border-b ${one.isHidden ? 'text-steel' : ''}`}>
                <QuestionHead of={one} group={desk.id} menus={desk.menus} />
                <div className="mt-1 space-y-1">
                  <CareMarks of={one.care} caution={caution} />
                  {one.reports.length > 0 && (
                    <p className="text-sm">
                      <b>Reported:</b> {one.reports.join('; ')}
                    </p>
                  )}
                </div>
                <AnswerForm key={`${one.answer} ${one.isHidden} ${one.isPinned}`} of={one} />
              </li>
            ))}
          </ul>
          {!desk.isHelper && <HelpForm key={help} help={help} />}
        </section>
      )}
    </Asked>
  );
}

function AnswerForm({ of }: { of: Question }) {
  const answers = useDeskAnswers();
  const [answer, setAnswer] = useState(of.answer);
  const [isOpen, setOpen] = useState(of.answer === '' && !of.isHidden);
  const say = (change: Partial<Question>, words: string) => {
    const { isPinned, isHidden } = { ...of, ...change };
    void answers.answer(of.id, { answer: change.answer ?? of.answer, isPinned, isHidden }, words);
  };
  return (
    <>
      {isOpen ? (
        <Words label="The answer" rows={2} value={answer} onChange={setAnswer} className="mt-2 max-w-prose" />
      ) : (
        of.answer && <p className="mt-1 max-w-prose whitespace-pre-line">{of.answer}</p>
      )}
      <div className="mt-1 flex flex-wrap gap-2">
        {isOpen ? (
          <Button disabled={answers.isPending || !answer.trim()} onClick={() => say({ answer }, 'It is answered.')}>
            Answer
          </Button>
        ) : (
          <Button look="bare" onClick={() => setOpen(true)}>
            {of.answer ? 'Change the answer' : 'Answer'}
          </Button>
        )}
        {of.answer && !of.isHidden && (
          <Button
            look="bare"
            onClick={() => say({ isPinned: !of.isPinned }, of.isPinned ? 'It is not pinned any more.' : 'It is pinned on top.')}
          >
            {of.isPinned ? 'Unpin' : 'Pin on top'}
          </Button>
        )}
        <Button
          look="bare"
          onClick={() =>
            say(
              { isHidden: !of.isHidden, isPinned: of.isPinned && of.isHidden },
              of.isHidden ? 'Members see it again.' : 'Members don’t see it any more.',
            )
          }
        >
          {of.isHidden ? 'Show it again' : 'Hide'}
        </Button>
      </div>
      <ProblemNote of={answers.problem} />
    </>
  );
}

function HelpForm({ help }: { help: string }) {
  const answers = useDeskAnswers();
  const [words, setWords] = useState(help);
  return (
    <div className="max-w-prose">
      <Words
        label="Where help is found near you"
        value={words}
        onChange={setWords}
        hint="Said to somebody whose words may speak of harm: a telephone line, a clinic, whom to talk to. Nobody can fill this in for your place but you."
      />
      <Button className="mt-2" disabled={answers.isPending || words.trim() === help} onClick={() => void answers.sayHelp(words)}>
        Keep it
      </Button>
      <ProblemNote of={answers.problem} />
    </div>
  );
}

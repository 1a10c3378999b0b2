import { useRef, useState } from 'react';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Choice, Field } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { addDays, weekday } from '../../pieces/show';
import { useSettled } from '../../pieces/useSettled';
import { Words } from '../../pieces/Words';
import { base64Of, sendable } from '../recipes/picture';
import { type Question, useBringing, useLikeQuestions, useQuestions } from './brought';
import { QuestionHead } from './QuestionHead';
import type { MemberMenu } from './queries';

/** What is asked in a group, and a question of one's own. */
export function MemberQuestions({ group, menus }: { group: string; menus: MemberMenu[] }) {
  const asked = useQuestions(group);
  const [isAsking, setAsking] = useState(false);
  const [search, setSearch] = useState('');
  const named = menus.map((one) => ({ ...one, id: one.menu }));
  return (
    <Asked of={asked}>
      {({ questions, help }) => {
        const shown = questions.filter((one) =>
          `${one.words} ${one.answer} ${one.dish}`.toLowerCase().includes(search.trim().toLowerCase()),
        );
        return (
          <section aria-label="Questions">
            <div className="mb-2 flex flex-wrap items-end gap-3">
              <h2 className="mr-auto text-lg">Questions</h2>
              {questions.length > 3 && <Field label="Find" value={search} onChange={setSearch} className="w-40" />}
              <Button onClick={() => setAsking(!isAsking)} aria-expanded={isAsking}>
                Ask something
              </Button>
            </div>
            {isAsking && <AskForm group={group} menus={named} onDone={() => setAsking(false)} />}
            {questions.length === 0 && !isAsking && <p className="text-steel">Nobody has asked anything yet.</p>}
            <ul>
              {shown.map((one) => (
                <li key={one.id} className="border-t border-line py-2 last:border-b">
                  <OneQuestion of={one} group={group} menus={named} help={help} />
                </li>
              ))}
            </ul>
          </section>
        );
      }}
    </Asked>
  );
}

type Named = MemberMenu & { id: string };

function OneQuestion({ of, group, menus, help }: { of: Question; group: string; menus: Named[]; help: string }) {
  const bringing = useBringing(group);
  const [why, setWhy] = useState<string | null>(null);
  return (
    <>
      <QuestionHead of={of} group={group} menus={menus} />
      {of.isOwn && of.care.some((mark) => mark.kind === 'harm') && (
        <p className="mt-1 max-w-prose border-l-2 border-cobalt pl-2 text-sm whitespace-pre-line">
          {help || 'If you are not well, please talk to somebody near you: a doctor, a helpline, somebody you trust.'}
        </p>
      )}
      {of.answer && <p className="mt-1 max-w-prose text-sm whitespace-pre-line">{of.answer}</p>}
      <div className="flex flex-wrap gap-2 text-sm">
        {!of.isOwn && (
          <Button look="bare" aria-pressed={of.isAskedToo} onClick={() => void bringing.askToo(of.id, !of.isAskedToo)}>
            {of.isAskedToo ? 'You ask it too' : 'I ask it too'}
          </Button>
        )}
        {of.isOwn && !of.answer && (
          <Button look="bare" onClick={() => void bringing.takeQuestionBack(of.id)}>
            Take it back
          </Button>
        )}
        {!of.isOwn && why === null && (
          <Button look="bare" className="text-steel" onClick={() => setWhy('')}>
            Report it
          </Button>
        )}
      </div>
      {why !== null && (
        <div className="flex flex-wrap items-end gap-2">
          <Field label="What is wrong with it" value={why} onChange={setWhy} className="min-w-60 flex-1" />
          <Button disabled={!why.trim()} onClick={() => void bringing.report(of.id, why).then((isDone) => isDone && setWhy(null))}>
            Tell the desk
          </Button>
        </div>
      )}
    </>
  );
}

const anything = 'anything';

function AskForm({ group, menus, onDone }: { group: string; menus: Named[]; onDone: () => void }) {
  const bringing = useBringing(group);
  const chooser = useRef<HTMLInputElement>(null);
  const [words, setWords] = useState('');
  const [about, setAbout] = useState(anything);
  const [isNamed, setNamed] = useState(false);
  const [picture, setPicture] = useState<File | null>(null);
  const alike = useLikeQuestions(group, useSettled(words.trim()));
  const newest = menus[0];
  const choices: [string, string][] = [[anything, 'anything'], ...(newest ? aboutChoices(newest) : [])];
  const ask = async () => {
    const { day, dish } = about === anything ? { day: null, dish: '' } : (JSON.parse(about) as { day: number | null; dish: string });
    const isDone = await bringing.ask({
      words,
      menu: about === anything ? null : (newest?.id ?? null),
      day,
      dish,
      isNamed,
      picture: picture ? await base64Of(await sendable(picture)) : '',
    });
    if (isDone) onDone();
  };
  return (
    <div className="mb-3 max-w-prose space-y-2 border-l-2 border-line pl-3">
      <Words label="Your question" value={words} onChange={setWords} rows={2} />
      {alike.data && alike.data.length > 0 && (
        <div className="text-sm">
          <b>Asked before:</b>
          <ul>
            {alike.data.map((one) => (
              <li key={one.id} className="border-t border-line py-1">
                <QuestionHead of={one} group={group} menus={menus} />
                {one.answer ? (
                  <p className="whitespace-pre-line">{one.answer}</p>
                ) : (
                  !one.isOwn &&
                  !one.isAskedToo && (
                    <Button look="bare" onClick={() => void bringing.askToo(one.id, true).then((isDone) => isDone && onDone())}>
                      I ask it too
                    </Button>
                  )
                )}
              </li>
            ))}
          </ul>
        </div>
      )}
      {newest && <Choice label="About" value={about} onChange={setAbout} options={choices} className="max-w-md" />}
      <div className="flex flex-wrap items-center gap-3 text-sm">
        <input
          ref={chooser}
          type="file"
          accept="image/*"
          aria-label="A picture"
          className="hidden"
          onChange={(event) => setPicture(event.target.files?.[0] ?? null)}
        />
        <Button look="bare" onClick={() => chooser.current?.click()}>
          {picture ? `Picture: ${picture.name}` : 'Add a picture'}
        </Button>
        <label className="flex min-h-9 items-center gap-2">
          <input type="checkbox" checked={isNamed} onChange={(event) => setNamed(event.target.checked)} className="size-4 accent-cobalt" />
          With my name
        </label>
      </div>
      <ProblemNote of={bringing.problem} />
      <Button look="main" disabled={bringing.isPending || !words.trim()} onClick={() => void ask()}>
        Ask
      </Button>
    </div>
  );
}

/** The newest menu whole, its days, and the dishes of each. */
function aboutChoices(menu: Named): [string, string][] {
  const choice = (day: number | null, dish: string, word: string): [string, string] => [JSON.stringify({ day, dish }), word];
  const days = [...new Set(menu.dishes.map((dish) => dish.day))].sort((a, b) => a - b);
  return [
    choice(null, '', menu.name),
    ...days.flatMap((day) => {
      const name = weekday(addDays(menu.startsOn, day));
      const dishes = [...new Set(menu.dishes.filter((dish) => dish.day === day).map((dish) => menu.recipes[dish.recipe]?.name ?? ''))];
      return [choice(day, '', name), ...dishes.map((dish) => choice(day, dish, `${name}: ${dish}`))];
    }),
  ];
}

import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, kept, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Choice } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { addDays, longDate } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { asUsual } from '../week/solving';
import { type MemberMenu, useIntoWeek } from './queries';

type Answers = Schemas['HomeAnswers'];

const isNothing = (sheet: Schemas['IntoWeekSheet']) => sheet.batches.length + sheet.off.length === 0;

/** What nobody but this kitchen knows: who eats by which tier, and at which of its meals. */
function Questions({
  menu,
  asks,
  answers,
  onAnswer,
}: {
  menu: MemberMenu;
  asks: Schemas['IntoWeekAsks'];
  answers: Answers;
  onAnswer: (answers: Answers) => void;
}) {
  const isAsked = menu.tiers.length > 0 || asks.eaters.length > 1;
  const saidOf = (eater: string) => answers.eaters.find((one) => one.eater === eater);
  /** Tiers by their place: a name may be anything. */
  const valueFor = (eater: string) => {
    const said = saidOf(eater);
    if (said?.eats === false) return 'nothing';
    const at = menu.tiers.findIndex((one) => one.name === said?.tier);
    return at < 0 ? '' : `${at}`;
  };
  const help = (eater: string, value: string) => {
    const tier = menu.tiers[Number(value)]?.name;
    onAnswer({
      ...answers,
      eaters: [
        ...answers.eaters.filter((one) => one.eater !== eater),
        { eater, eats: value !== 'nothing', tier: value === '' || value === 'nothing' ? null : (tier ?? null) },
      ],
    });
  };
  const eat = (meal: string, slot: string) =>
    onAnswer({ ...answers, meals: [...answers.meals.filter((one) => one.meal !== meal), { meal, slot: slot || null }] });
  return (
    <>
      {(isAsked || asks.meals.length > 0) && (
        <div className="mb-3 grid gap-3 sm:grid-cols-2">
          {isAsked &&
            asks.eaters.map((eater) => (
              <Choice
                key={eater.id}
                label={`${eater.name} eats`}
                value={valueFor(eater.id)}
                onChange={(value) => help(eater.id, value)}
                options={[
                  ['', 'a portion of each dish'],
                  ...menu.tiers.map((one, at): [string, string] => [`${at}`, `by the tier ${one.name}`]),
                  ...(asks.eaters.length > 1 ? [['nothing', 'nothing of it'] as [string, string]] : []),
                ]}
              />
            ))}
          {asks.meals.map((meal) => (
            <Choice
              key={meal.key}
              label={`Its ${meal.name}, which your days do not have`}
              value={answers.meals.find((one) => one.meal === meal.key)?.slot ?? ''}
              onChange={(slot) => eat(meal.key, slot)}
              options={[['', 'left out'], ...asks.slots.map((slot): [string, string] => [slot.key, `eaten at ${slot.name}`])]}
            />
          ))}
        </div>
      )}
      {asks.unread.length > 0 && (
        <p className="mb-3 text-sm text-steel">
          What these lines are, nobody can tell: {asks.unread.join('; ')}. Once a recipe is in your library you say what you buy for it.
        </p>
      )}
    </>
  );
}

/** What a menu would be in the own week: what is cooked when, who eats how much of it, what is left out and why. */
export function IntoWeekDialog({
  menu,
  today,
  week: asked,
  onDone,
}: {
  menu: MemberMenu;
  today: string;
  /** Into which week; empty for the one that it is planned for. */
  week: string;
  onDone: () => void;
}) {
  const edit = useEdit();
  const navigate = useNavigate();
  const [first, setFirst] = useState(0);
  const own = addDays(menu.startsOn, first);
  const isOver = addDays(own, 7) <= today;
  const weeks = [...new Set([asked || null, isOver ? null : own, addDays(today, 7), today, addDays(today, 14)])].flatMap(
    (date) => date ?? [],
  );
  const [chosen, setChosen] = useState<string | null>(asked || null);
  const week = chosen && weeks.includes(chosen) ? chosen : (weeks[0] ?? today);
  /** What was said here; before anything was, it is shown by what was answered last. */
  const [answers, setAnswers] = useState<Answers | null>(null);
  const sevens = Array.from({ length: Math.ceil(menu.days / 7) }, (_, at) => at * 7);
  const days = Array.from({ length: Math.min(7, menu.days - first) }, (_, at) => first + at);
  const body = { week, days, answers };
  const looked = useIntoWeek(menu, body);
  /** Seeks what would make the week fit, where anything does not; there is nothing to say where everything does. */
  const fit = (date: string) =>
    take(api.POST('/api/weeks/{date}/solve', { params: { path: { date } }, body: asUsual('mend') })).catch(() => null);
  const put = (isFitted: boolean) =>
    void edit.run({
      isTold: true,
      say: ({ batches, off }) =>
        batches.length === 0
          ? `What ${menu.name} has not any more is off the week: ${off.join('; ')}.`
          : `${menu.name} is on the week: ${batches.length} ${batches.length === 1 ? 'batch' : 'batches'}.`,
      ask: () =>
        kept(api.POST('/api/groups/{group}/menus/{menu}/into-week', { params: { path: { group: menu.group, menu: menu.menu } }, body })),
      last: (sheet) => {
        onDone();
        void Promise.resolve(isFitted ? fit(sheet.week) : null).then(() => navigate(`/week/${sheet.week}`));
      },
    });
  return (
    <SheetDialog title={`${menu.name} in your week`} onClose={onDone} wide>
      <div className="mb-3 grid gap-3 sm:grid-cols-2">
        <Choice
          label="Into the week of"
          value={week}
          onChange={setChosen}
          options={weeks.map((date) => [date, date === own && !isOver ? `${longDate(date)}, as it is planned` : longDate(date)])}
        />
        {sevens.length > 1 && (
          <Choice
            label="Its days"
            value={`${first}`}
            onChange={(at) => setFirst(Number(at))}
            options={sevens.map((at) => [`${at}`, `from ${longDate(addDays(menu.startsOn, at))}`])}
          />
        )}
      </div>
      <Asked of={looked}>
        {(sheet) => (
          <>
            <Questions menu={menu} asks={sheet.asks} answers={answers ?? sheet.asks.answers} onAnswer={setAnswers} />
            {sheet.off.length > 0 && (
              <>
                <h3 className="text-base">Comes off</h3>
                <ul className="mb-3 text-sm">
                  {sheet.off.map((said) => (
                    <li key={said} className="border-t border-line py-1">
                      {said}
                    </li>
                  ))}
                </ul>
                {sheet.batches.length > 0 && <h3 className="text-base">Comes on</h3>}
              </>
            )}
            {sheet.batches.length === 0 ? (
              sheet.off.length === 0 && <p>Nothing of it comes onto this week.</p>
            ) : (
              <ul className="text-sm">
                {sheet.batches.map((batch) => (
                  <li key={`${batch.name}${batch.cooked}`} className="border-t border-line py-1">
                    <b>{batch.name}</b>,{' '}
                    <span className="figures">
                      {batch.portions} {batch.isMore && 'more '}
                      {batch.portions === 1 ? 'portion' : 'portions'}
                    </span>
                    , cooked on {longDate(batch.cooked)}
                    <span className="block text-steel">{batch.for.join('; ')}</span>
                  </li>
                ))}
              </ul>
            )}
            {sheet.left.length > 0 && (
              <>
                <h3 className="mt-3 text-base">Left out</h3>
                <ul className="max-h-40 overflow-auto text-sm">
                  {sheet.left.map((left) => (
                    <li key={`${left.who}${left.because}`} className="border-t border-line py-1">
                      {left.who}: {left.because}. <span className="text-steel">{left.dishes.join(', ')}</span>
                    </li>
                  ))}
                </ul>
              </>
            )}
            {sheet.toBring.length > 0 && (
              <p className="mt-3 text-sm text-steel">Comes into your library with it: {sheet.toBring.join(', ')}.</p>
            )}
            {sheet.toRenew.length > 0 && (
              <p className="mt-3 text-sm text-steel">
                Newer in the group since you took it, and renewed in your library: {sheet.toRenew.join(', ')}.
              </p>
            )}
            {sheet.own.length > 0 && (
              <p className="mt-3 text-sm text-steel">Cooked by your own recipe, not the group’s: {sheet.own.join(', ')}.</p>
            )}
            <ProblemNote of={edit.problem} className="mt-2" />
            <div className="mt-3 flex flex-wrap gap-2">
              <Button look="main" disabled={isNothing(sheet) || edit.isPending} onClick={() => put(false)}>
                {sheet.off.length > 0 ? 'Change the week so' : 'Put it on the week'}
              </Button>
              <Button disabled={isNothing(sheet) || edit.isPending} onClick={() => put(true)}>
                … and fit it to your allowances
              </Button>
            </div>
            <p className="mt-2 text-xs text-steel">
              Fitting proposes other portions, variants and dishes on the board, beside what stands there; you take what you like of it.
            </p>
          </>
        )}
      </Asked>
    </SheetDialog>
  );
}

import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, kept } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Choice } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { addDays, longDate } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { type MemberMenu, useIntoWeek } from './queries';

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
  const [tier, setTier] = useState('');
  const sevens = Array.from({ length: Math.ceil(menu.days / 7) }, (_, at) => at * 7);
  const days = Array.from({ length: Math.min(7, menu.days - first) }, (_, at) => first + at);
  const body = { week, days, tier: tier || null };
  const looked = useIntoWeek(menu, body);
  const put = () =>
    void edit.run({
      isTold: true,
      say: ({ batches }) => `${menu.name} is on the week: ${batches.length} ${batches.length === 1 ? 'batch' : 'batches'}.`,
      ask: () =>
        kept(api.POST('/api/groups/{group}/menus/{menu}/into-week', { params: { path: { group: menu.group, menu: menu.menu } }, body })),
      last: (sheet) => {
        onDone();
        void navigate(`/week/${sheet.week}`);
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
        {menu.tiers.length > 0 && (
          <Choice
            label="Eaten here by the tier"
            value={tier}
            onChange={setTier}
            options={[['', 'none: a portion of each'], ...menu.tiers.map((one): [string, string] => [one.name, one.name])]}
          />
        )}
      </div>
      <Asked of={looked}>
        {(sheet) => (
          <>
            {sheet.batches.length === 0 ? (
              <p>Nothing of it comes onto this week.</p>
            ) : (
              <ul className="text-sm">
                {sheet.batches.map((batch) => (
                  <li key={`${batch.name}${batch.cooked}`} className="border-t border-line py-1">
                    <b>{batch.name}</b>,{' '}
                    <span className="figures">
                      {batch.portions} {batch.portions === 1 ? 'portion' : 'portions'}
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
            <ProblemNote of={edit.problem} className="mt-2" />
            <Button look="main" className="mt-3" disabled={edit.isPending || sheet.batches.length === 0} onClick={put}>
              Put it on the week
            </Button>
          </>
        )}
      </Asked>
    </SheetDialog>
  );
}

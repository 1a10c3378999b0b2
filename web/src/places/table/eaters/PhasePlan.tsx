import { ArrowDown, ArrowUp } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { api, kept, type Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { Field } from '../../../pieces/Field';
import { addDays, dayMonth } from '../../../pieces/show';
import type { Eater, TableEdit } from '../queries';
import { Diary } from './Diary';

type Phases = Schemas['TablePhases'];
type Stretch = Schemas['TableStretch'];

const outcomes: [Schemas['ChallengeOutcome'], string][] = [
  ['open', 'not known yet'],
  ['tolerated', 'tolerated'],
  ['notTolerated', 'not tolerated'],
];

/** A protocol's phases on the calendar: what is tried today, how it went, and the short diary of the trial. */
export function PhasePlan({ phases, eater, edit, today }: { phases: Phases; eater: Eater; edit: TableEdit; today: string }) {
  const [start, setStart] = useState(phases.start ?? today);
  const [ends, setEnds] = useState(phases.restrictionEnds ?? addDays(today, phases.shortestDays + 13));
  const [order, setOrder] = useState(phases.challenges.map((one) => one.id));
  const [isPlanning, setPlanning] = useState(phases.start === null);
  const named = new Map(phases.challenges.map((one) => [one.id, one]));
  const swap = (at: number, by: number) => {
    const next = [...order];
    [next[at], next[at + by]] = [next[at + by] ?? '', next[at] ?? ''];
    setOrder(next);
  };
  const decide = (challenge: Schemas['TableChallenge'], outcome: Schemas['ChallengeOutcome']) =>
    edit.run({
      say: `${challenge.name}: noted.`,
      ask: () =>
        kept(
          api.PUT('/api/table/eaters/{eater}/phases/outcome', {
            params: { path: { eater: eater.id } },
            body: { protocol: phases.protocol, challenge: challenge.id, outcome },
          }),
        ),
    });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    edit.run({
      say: `${eater.name}’s phases are planned.`,
      ask: () =>
        kept(
          api.PUT('/api/table/eaters/{eater}/phases', {
            params: { path: { eater: eater.id } },
            body: { protocol: phases.protocol, start, restrictionEnds: ends, order },
          }),
        ),
      last: () => setPlanning(false),
    });
  };
  return (
    <div className="mt-3 border-t border-line pt-2">
      <h4 className="font-display text-base font-semibold">{phases.today ?? 'Phases'}</h4>
      {phases.stretches.length > 0 && <Strip stretches={phases.stretches} today={today} />}
      {isPlanning ? (
        <form onSubmit={submit} className="space-y-2 text-sm">
          <p className="text-steel">
            Restriction for {phases.shortestDays} to {phases.longestDays} days, then one thing at a time is tried, each with days back to
            base.
          </p>
          <div className="flex flex-wrap gap-3">
            <Field label="First day" type="date" value={start} onChange={setStart} />
            <Field label="Last day of restriction" type="date" value={ends} onChange={setEnds} />
          </div>
          <p className="font-semibold">Tried in this order</p>
          <ol className="space-y-0.5">
            {order.map((id, at) => (
              <li key={id} className="flex items-center gap-1">
                <span className="figures w-5 text-steel">{at + 1}</span>
                <span className="w-44">{named.get(id)?.name}</span>
                <span className="w-40 text-steel">
                  {named.get(id)?.days === 1 ? '1 day' : `${named.get(id)?.days} days`}, {named.get(id)?.washoutDays} back to base
                </span>
                <Button look="bare" disabled={at === 0} onClick={() => swap(at, -1)} aria-label={`Try ${named.get(id)?.name} earlier`}>
                  <ArrowUp size={14} />
                </Button>
                <Button
                  look="bare"
                  disabled={at === order.length - 1}
                  onClick={() => swap(at, 1)}
                  aria-label={`Try ${named.get(id)?.name} later`}
                >
                  <ArrowDown size={14} />
                </Button>
              </li>
            ))}
          </ol>
          <Button type="submit" look="main" disabled={edit.isPending}>
            Plan it
          </Button>
        </form>
      ) : (
        <>
          <ul className="space-y-0.5 text-sm">
            {phases.challenges.map((challenge, at) => (
              <li key={challenge.id}>
                <label className="grid grid-cols-[1rem_9rem_9rem_auto] items-center justify-start gap-x-2">
                  <span className="figures text-steel">{at + 1}</span>
                  {challenge.name}
                  <span className="text-steel">{datesOf(phases, challenge.name)}</span>
                  <select
                    value={challenge.outcome}
                    onChange={(event) => decide(challenge, event.target.value as Schemas['ChallengeOutcome'])}
                    className="min-h-8 rounded-sm border border-line bg-enamel px-1 text-rim"
                  >
                    {outcomes.map(([key, word]) => (
                      <option key={key} value={key}>
                        {word}
                      </option>
                    ))}
                  </select>
                </label>
              </li>
            ))}
          </ul>
          <Button look="bare" className="text-xs" onClick={() => setPlanning(true)}>
            Change the plan
          </Button>
          <Diary eater={eater.id} protocol={phases.protocol} day={today} />
        </>
      )}
    </div>
  );
}

function datesOf(phases: Phases, challenge: string) {
  const stretch = phases.stretches.find((one) => one.kind === 'challenge' && one.challenge === challenge);
  if (!stretch) return '';
  return stretch.last === stretch.first || !stretch.last
    ? dayMonth(stretch.first)
    : `${dayMonth(stretch.first)} to ${dayMonth(stretch.last)}`;
}

const looks: Record<Stretch['kind'], string> = {
  before: '',
  restriction: 'bg-rim text-enamel',
  challenge: 'bg-cobalt text-on-cobalt',
  washout: 'border border-line bg-tray text-rim',
  personal: 'border border-rim bg-enamel text-rim',
};

/** The calendar as a strip: each stretch as long as its days, today marked. */
function Strip({ stretches, today }: { stretches: Stretch[]; today: string }) {
  const days = (stretch: Stretch) => (stretch.last ? (Date.parse(stretch.last) - Date.parse(stretch.first)) / 86_400_000 + 1 : 5);
  return (
    <ol aria-label="Calendar of the phases" className="my-2 flex gap-0.5">
      {stretches.map((stretch) => {
        const isNow = stretch.first <= today && (stretch.last === null || today <= stretch.last);
        const word = stretch.kind === 'challenge' ? stretch.challenge : stretch.kind === 'washout' ? 'base' : stretch.kind;
        return (
          <li
            key={stretch.first}
            style={{ flexGrow: Math.min(days(stretch), 14) }}
            title={`${word}, ${dayMonth(stretch.first)}${stretch.last ? ` to ${dayMonth(stretch.last)}` : ' on'}`}
            className={`basis-0 ${stretch.kind === 'personal' ? 'min-w-16' : 'min-w-3'}`}
          >
            <span className={`block overflow-hidden px-1 py-0.5 text-xs whitespace-nowrap ${looks[stretch.kind]}`}>
              {stretch.kind === 'washout'
                ? ' '
                : stretch.kind === 'challenge'
                  ? stretches.filter((one) => one.kind === 'challenge').indexOf(stretch) + 1
                  : word}
            </span>
            <span className={`block text-xs whitespace-nowrap ${isNow ? 'border-t-2 border-rim font-semibold' : 'text-steel'}`}>
              {isNow ? 'today' : stretch.kind === 'washout' ? '' : dayMonth(stretch.first)}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

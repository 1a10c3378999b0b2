import { Lozenge } from '../../pieces/Lozenge';
import { addDays, verdictWord, weekday } from '../../pieces/show';
import type { Check, Menu } from './queries';

/** Whom the menu's days and weeks do not suit, and what each day comes to for each tier. */
export function MenuVerdicts({ menu, check }: { menu: Menu; check: Check }) {
  const dayOf = (day: number) => weekday(addDays(menu.startsOn, day));
  const daysOf = (days: number[]) => (days.length === menu.days ? 'all days' : days.map(dayOf).join(', '));
  return (
    <section aria-label="Its days and weeks" className="space-y-4">
      {check.over.length > 0 && (
        <div>
          <h2 className="text-base">Over a day or a week</h2>
          <ul className="text-sm">
            {check.over.map((found) => (
              <li key={`${found.because}${found.days}`} className="flex gap-2 border-t border-line py-1 last:border-b">
                <span className="pt-0.5">
                  <Lozenge verdict={found.verdict} size={14} />
                </span>
                <span>
                  <b>
                    {verdictWord[found.verdict]} for {found.members ?? 'a few'}, {daysOf(found.days)}:
                  </b>{' '}
                  {found.because}
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
      {check.tiers.length > 0 && <TierDays check={check} dayOf={dayOf} />}
    </section>
  );
}

function TierDays({ check, dayOf }: { check: Check; dayOf: (day: number) => string }) {
  const rows = [...new Map(check.tiers.map((one) => [`${one.tier} ${one.follows}`, one])).values()];
  const days = [...new Set(check.tiers.map((one) => one.day))];
  const isOpen = check.tiers.some((one) => one.open > 0);
  return (
    <div className="overflow-x-auto">
      <h2 className="text-base">What a day comes to</h2>
      <table className="figures w-full min-w-max text-sm">
        <thead>
          <tr className="text-left text-steel">
            <th scope="col" className="py-1 pr-3 font-normal">
              kcal
            </th>
            {days.map((day) => (
              <th key={day} scope="col" className="px-2 py-1 text-right font-normal">
                {dayOf(day)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={`${row.tier} ${row.follows}`} className="border-t border-line">
              <th scope="row" className="py-1 pr-3 text-left font-semibold">
                {row.tier}
                {row.follows && <span className="block text-xs font-normal text-steel">{row.follows}</span>}
              </th>
              {days.map((day) => {
                const one = check.tiers.find((at) => at.day === day && at.tier === row.tier && at.follows === row.follows);
                return (
                  <td key={day} className="px-2 py-1 text-right">
                    {one && (
                      <span className="inline-flex items-center gap-1">
                        {one.isPart && 'at least '}
                        {one.energy.toLocaleString('en')} <Lozenge verdict={one.verdict} size={12} />
                        <span className="sr-only">{verdictWord[one.verdict]}</span>
                      </span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-xs text-steel">
        Held against each tier’s energy, five per cent either way.{isOpen && ' A day with open meals is not too little yet.'}
      </p>
    </div>
  );
}

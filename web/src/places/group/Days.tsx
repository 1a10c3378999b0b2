import type { ReactNode } from 'react';
import { addDays, dayMonth, weekday } from '../../pieces/show';

type Days = { startsOn: string; days: number; meals: { key: string; name: string }[] };

/** A menu's days, one below the other, with a column for each meal; on a phone a meal stands below the next. */
export function DayRows({
  of,
  beside,
  children,
}: {
  of: Days;
  beside?: (day: number) => ReactNode;
  children: (day: number, meal: string) => ReactNode;
}) {
  const columns = { gridTemplateColumns: `6rem repeat(${of.meals.length}, minmax(0, 1fr))` };
  return (
    <div className="rimmed">
      <div className="hidden border-b border-line text-sm font-semibold sm:grid" style={columns} aria-hidden="true">
        <span />
        {of.meals.map((meal) => (
          <span key={meal.key} className="px-2 py-1 first-letter:uppercase">
            {meal.name}
          </span>
        ))}
      </div>
      <ol>
        {Array.from({ length: of.days }, (_, day) => addDays(of.startsOn, day)).map((date, day) => (
          <li key={date} className="border-b border-line last:border-b-0 sm:grid" style={columns}>
            <div className="px-2 py-1.5 max-sm:flex max-sm:items-baseline max-sm:gap-2 max-sm:bg-tray">
              <b className="font-display">{weekday(date)}</b>
              <span className="block text-sm text-steel">{dayMonth(date)}</span>
              {beside?.(day)}
            </div>
            {of.meals.map((meal) => (
              <section
                key={meal.key}
                aria-label={`${meal.name}, ${weekday(date)} ${dayMonth(date)}`}
                className="min-w-0 px-2 py-1.5 sm:border-l sm:border-line"
              >
                <span className="block text-xs text-steel first-letter:uppercase sm:hidden">{meal.name}</span>
                {children(day, meal.key)}
              </section>
            ))}
          </li>
        ))}
      </ol>
    </div>
  );
}

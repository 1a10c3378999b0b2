import { Lozenge } from '../../pieces/Lozenge';
import { Ruler } from '../../pieces/Ruler';
import { number } from '../../pieces/show';
import type { Page } from './eating';
import { Weight } from './Weight';

/** What the rest of the day allows, by each limit; what free amounts are used up; and the week's limits. */
export function Rest({ page }: { page: Page }) {
  return (
    <aside className="max-md:mt-4">
      {page.rulers.length + page.week.length === 0 && <p className="text-sm text-steel">Nothing limits this day.</p>}
      {page.rulers.length > 0 && (
        <section aria-label="What the day still allows">
          <h2 className="mb-2 text-lg">{page.day < page.today ? 'The day' : 'What the day still allows'}</h2>
          <ul className="space-y-3">
            {page.rulers.map(({ stands, eaten, planned, says }) => (
              <li key={stands.rule}>
                <Ruler finding={stands} />
                {!stands.isQuotient && (
                  <p className="figures flex flex-wrap justify-between gap-x-3 text-xs">
                    <span className="text-steel">
                      eaten {number(eaten, stands.decimals)}
                      {planned > 0 && `, ${page.day < page.today ? 'not said of' : 'planned'} ${number(planned, stands.decimals)}`}
                    </span>
                    <b>{says}</b>
                  </p>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      {page.findings.length > 0 && (
        <ul aria-label="What is not right" className="mt-4 space-y-1 text-sm">
          {page.findings.map((finding) => (
            <li key={`${finding.rule} ${finding.because}`} className="flex gap-2">
              <Lozenge verdict={finding.verdict} size={14} />
              <span className={finding.verdict === 'breaks' ? 'text-beet' : ''}>{finding.because}</span>
            </li>
          ))}
        </ul>
      )}
      {page.free.length > 0 && (
        <section aria-label="Free amounts" className="mt-4 text-sm">
          <h3 className="text-base">Free amounts</h3>
          <ul className="figures">
            {page.free.map((free) => (
              <li key={free.name}>
                {free.name}: {number(Math.min(free.usedG, free.upToG), 0)} of {number(free.upToG, 0)} g used
                {free.usedG > free.upToG && `, ${number(free.usedG - free.upToG, 0)} g more are counted`}
              </li>
            ))}
          </ul>
        </section>
      )}
      {page.week.length > 0 && (
        <section aria-label="This week" className="mt-4">
          <h3 className="mb-2 text-base">This week</h3>
          <ul className="space-y-2">
            {page.week.map((finding) => (
              <li key={finding.rule}>
                <Ruler finding={finding} />
              </li>
            ))}
          </ul>
        </section>
      )}
      {page.eaters.some((eater) => eater.id === page.eaterId && !eater.isGuest) && <Weight key={page.eaterId} page={page} />}
    </aside>
  );
}

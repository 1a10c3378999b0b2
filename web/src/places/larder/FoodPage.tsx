import { Link, useNavigate, useParams } from 'react-router';
import { api, kept } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { amount, dayMonth, number, range } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { Verdicts } from '../recipes/Verdicts';
import { Opinions } from './Opinions';
import { type FoodSheet, useFood } from './queries';
import { MarkedStatement, StatementWords } from './Statement';

/** One calm page for a food or a packet, with everybody's verdict in the margin. */
export function FoodPage() {
  const { key = '' } = useParams();
  return <Asked of={useFood(key)}>{(sheet) => <Food sheet={sheet} />}</Asked>;
}

function Food({ sheet }: { sheet: FoodSheet }) {
  return (
    <div className="mx-auto grid max-w-6xl gap-8 p-4 md:p-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <article className="min-w-0">
        <Link to="/larder" className="text-sm text-cobalt hover:underline">
          Larder
        </Link>
        <header className="mb-4 flex flex-wrap items-start gap-x-4 gap-y-2">
          <div className="min-w-0 flex-1">
            <h1 className="text-2xl leading-tight">{sheet.name}</h1>
            <p className="text-steel">
              {[sheet.packet && `packet, version ${sheet.packet.version}`, sheet.classes.join(', '), sheet.aisle]
                .filter(Boolean)
                .join(' · ')}
            </p>
            {sheet.synonyms.length > 0 && <p className="text-sm text-steel">also: {sheet.synonyms.join(', ')}</p>}
          </div>
          <Actions sheet={sheet} />
        </header>
        <div className="grid gap-8 md:grid-cols-[minmax(0,1fr)_17rem]">
          <section>
            <h2 className="mb-1 text-lg">What it holds</h2>
            <Amounts sheet={sheet} />
            <p className="mt-2 text-xs text-steel">
              Source: {sheet.source}
              {sheet.mark !== 'Printed' && ` [${sheet.mark}]`}
            </p>
          </section>
          <Facts sheet={sheet} />
        </div>
        {sheet.packet && (
          <section className="mt-8 space-y-2 text-sm">
            <h2 className="text-lg">Ingredients</h2>
            {sheet.packet.statement.text ? (
              <MarkedStatement said={sheet.packet.statement} />
            ) : (
              <p className="text-steel">Nobody typed them, so nobody can tell what is in it.</p>
            )}
            {sheet.packet.statement.mayContainText && <p>May contain: {sheet.packet.statement.mayContainText}</p>}
            <StatementWords said={sheet.packet.statement} />
          </section>
        )}
        {sheet.packet && <Opinions packet={sheet.packet} name={sheet.name} />}
        {sheet.usedIn.length > 0 && (
          <section className="mt-8 text-sm">
            <h2 className="mb-1 text-lg">In recipes</h2>
            <ul>
              {sheet.usedIn.map((recipe) => (
                <li key={recipe.recipeId}>
                  <Link to={`/recipes/${recipe.recipeId}`} className="text-cobalt hover:underline">
                    {recipe.name}
                  </Link>
                  {recipe.isOlderVersion && <span className="text-steel"> with an older version of it</span>}
                </li>
              ))}
            </ul>
          </section>
        )}
      </article>
      <aside aria-label="Verdicts" className="rimmed self-start border-x border-b border-line p-4">
        <h2 className="mb-1 text-lg">Does it fit?</h2>
        <p className="mb-3 text-sm text-steel">A serving: {sheet.serving}</p>
        <Verdicts of={sheet.verdicts} />
      </aside>
    </div>
  );
}

function Actions({ sheet }: { sheet: FoodSheet }) {
  const edit = useEdit();
  const navigate = useNavigate();
  const link = 'inline-flex min-h-9 items-center rounded-sm border border-line px-3 text-sm font-semibold hover:border-rim';
  const { packet } = sheet;
  return (
    <div className="flex flex-wrap gap-2">
      <Link to={`/larder/compare?left=${sheet.key}`} className={link}>
        Side by side
      </Link>
      {packet && (
        <>
          <Link to={`/larder/packets/${sheet.key}/edit`} className={link}>
            Change
          </Link>
          <Button
            disabled={edit.isPending}
            onClick={() =>
              edit.run({
                say: `${sheet.name} is put away; what was planned keeps it.`,
                ask: () => kept(api.DELETE('/api/larder/packets/{id}', { params: { path: { id: packet.id } } })),
                // The sheet is left first, or it would ask for what is not in use any more.
                first: () => navigate('/larder'),
              })
            }
          >
            Put away
          </Button>
        </>
      )}
    </div>
  );
}

function Amounts({ sheet }: { sheet: FoodSheet }) {
  return (
    <table className="w-full text-sm">
      <thead className="text-left text-xs text-steel">
        <tr>
          <th className="font-normal">
            <span className="sr-only">Measure</span>
          </th>
          <th className="pl-3 text-right font-normal">{sheet.serving}</th>
          <th className="pl-3 text-right font-normal">100 g</th>
          <th className="pl-3 text-right font-normal">range of 100 g</th>
        </tr>
      </thead>
      <tbody className="figures">
        {sheet.amounts.map((one) => (
          <tr key={one.key} className="border-t border-line">
            <td className="py-0.5">{one.name}</td>
            <td className="py-0.5 pl-3 text-right whitespace-nowrap">{shown(one.perServing, one)}</td>
            <td className="py-0.5 pl-3 text-right whitespace-nowrap">{shown(one.perHundredGrams, one)}</td>
            <td className="py-0.5 pl-3 text-right whitespace-nowrap text-steel">
              {range(one.perHundredGrams, one.key === 'points' ? '' : one.unit, one.decimals)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const shown = (value: FoodSheet['amounts'][number]['perServing'], one: FoodSheet['amounts'][number]) =>
  value.high === null && value.best === 0 ? (
    <span className="text-steel">not known</span>
  ) : (
    amount(value, one.key === 'points' ? '' : one.unit, one.decimals)
  );

function Facts({ sheet }: { sheet: FoodSheet }) {
  const known = sheet.fodmaps.filter((one) => one.isKnown && (one.perHundredGrams.high ?? 0) > 0);
  return (
    <section className="text-sm">
      <h2 className="mb-1 text-lg">In the kitchen</h2>
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-3 gap-y-1">
        <dt className="text-steel">Contains</dt>
        <dd>{sheet.allergens.length > 0 ? sheet.allergens.join(', ') : 'none of the 14 listed allergens, as far as is known'}</dd>
        {sheet.measures.length > 0 && (
          <>
            <dt className="text-steel">Weighs</dt>
            <dd className="figures">
              {sheet.measures.map((one) => `${one.name === 'each' ? 'one' : `1 ${one.name}`} ${number(one.grams, 1)} g`).join(', ')}
            </dd>
          </>
        )}
        {sheet.density !== null && (
          <>
            <dt className="text-steel">Density</dt>
            <dd className="figures">{number(sheet.density, 2)} g/ml</dd>
          </>
        )}
        {sheet.yields.length > 0 && (
          <>
            <dt className="text-steel">100 g make</dt>
            <dd className="figures">
              {sheet.yields.map((one) => (
                <span key={one.method} title={one.source} className="block">
                  {number(one.factor * 100, 0)} g {one.method}
                </span>
              ))}
            </dd>
          </>
        )}
        {sheet.keeping && (
          <>
            <dt className="text-steel">Keeps</dt>
            <dd>{sheet.keeping}</dd>
          </>
        )}
        {sheet.packs.length > 0 && (
          <>
            <dt className="text-steel">Sold in</dt>
            <dd className="figures">{sheet.packs.map((grams) => `${number(grams, 0)} g`).join(', ')}</dd>
          </>
        )}
        {sheet.packet && <PacketFacts sheet={sheet} />}
        {(known.length > 0 || sheet.fodmapSource) && (
          <>
            <dt className="text-steel">FODMAPs</dt>
            <dd className="figures">
              {known.map((one) => (
                <span key={one.name} className="block">
                  {one.name} {number(one.perHundredGrams.best, 2)} g
                  {one.most !== null && <span className="text-steel">, under the cut-off to {number(one.most, 0)} g</span>}
                </span>
              ))}
              {known.length === 0 && 'none of what is published'}
              <span className="block text-xs text-steel">{sheet.fodmapSource}</span>
            </dd>
          </>
        )}
      </dl>
    </section>
  );
}

function PacketFacts({ sheet }: { sheet: FoodSheet }) {
  const packet = sheet.packet;
  if (!packet) return null;
  const { printed } = packet;
  return (
    <>
      {printed.pack && (
        <>
          <dt className="text-steel">Pack</dt>
          <dd className="figures">
            {printed.pack}
            {printed.price !== null && `, ${printed.price.toFixed(2)} a pack`}
          </dd>
        </>
      )}
      {printed.openedDays !== null && (
        <>
          <dt className="text-steel">Opened</dt>
          <dd>keeps {printed.openedDays} days</dd>
        </>
      )}
      {packet.versions.length > 1 && (
        <>
          <dt className="text-steel">Versions</dt>
          <dd>
            {packet.versions.map((version) => (
              <span key={version.number} className="block">
                {version.number}, typed {dayMonth(version.at.slice(0, 10))}
              </span>
            ))}
          </dd>
        </>
      )}
    </>
  );
}

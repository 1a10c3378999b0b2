import { number } from '../../pieces/show';
import { FileIn } from './FileIn';
import { importFile } from './importFile';

/** Packets out as a file, and in again. */
export function FilePage() {
  return (
    <div className="grid gap-8 md:grid-cols-[minmax(0,1fr)_18rem]">
      <section>
        <h2 className="mb-1 text-lg">Bring packets in</h2>
        <p className="mb-3 text-sm">
          A CSV file, one packet a row, everything as printed. It is read in a dry run first; then it comes in whole or not at all. A packet
          of a name that is in use gets a new version.
        </p>
        <FileIn
          send={(file, apply, told, stop) => importFile(file, apply, ({ done, total }) => told(done, total), stop)}
          say={(report) => `${number(report.added, 0)} packets came in, ${number(report.changed, 0)} have a new version.`}
        />
      </section>
      <aside className="text-sm">
        <h2 className="mb-1 text-lg">Take packets out</h2>
        <p className="mb-2">All packets in use as the same kind of file.</p>
        <a
          href="/api/larder/packets.csv"
          download
          className="inline-flex min-h-9 items-center rounded-sm border border-line px-3 font-semibold hover:border-rim"
        >
          Save the file
        </a>
        <h3 className="mt-5 mb-1 text-base">Columns</h3>
        <p className="text-steel">
          name, country (US, CA, EU, UK, AU, NZ, other), serving; and of these those you have: basis, energy, fat, saturated_fat,
          carbohydrate, fibre, sugars, added_sugars, polyols, allulose, protein, sodium, salt, ingredients, may_contain, pack, price,
          points, opened_days, classes, aisle. UTF-8, commas or semicolons. An empty cell is not printed, never zero.
        </p>
      </aside>
    </div>
  );
}

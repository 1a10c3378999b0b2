import { api, kept } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import type { Eater, TableEdit } from '../queries';

/** What somebody else at the table stated for the same protocol, taken over by one press where this eater stated nothing yet. */
export function SameNumbers({ eater, others, edit }: { eater: Eater; others: Eater[]; edit: TableEdit }) {
  const lacks = (other: Eater) =>
    eater.rules.filter(
      (rule) =>
        rule.needsAllowance &&
        other.rules.some((theirs) => theirs.protocol === rule.protocol && theirs.rule === rule.rule && !theirs.needsAllowance),
    );
  return others
    .filter((other) => other.id !== eater.id && lacks(other).length > 0)
    .map((other) => (
      <p key={other.id} className="mt-2 flex flex-wrap items-center gap-2 text-sm">
        <Button
          disabled={edit.isPending}
          onClick={() =>
            void edit.run({
              say: `${eater.name} has the numbers of ${other.name}; each can be changed.`,
              ask: () =>
                kept(
                  api.POST('/api/table/eaters/{eater}/allowances/as', { params: { path: { eater: eater.id } }, body: { from: other.id } }),
                ),
            })
          }
        >
          The same numbers as {other.name}
        </Button>
        <span className="text-steel">
          {lacks(other)
            .map((rule) => rule.title.toLowerCase())
            .join(', ')}
        </span>
      </p>
    ));
}

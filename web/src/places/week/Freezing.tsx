import { Button } from '../../pieces/Button';
import type { Batch, BoardEdits, FreezeShare } from './queries';

const shares: [FreezeShare, string][] = [
  ['nothing', 'What has to be'],
  ['half', 'The later half'],
  ['all', 'All of it'],
];

/** What goes into the freezer though it would keep. */
export function Freezing({ batch, edits }: { batch: Batch; edits: BoardEdits }) {
  return (
    <fieldset className="mt-3 text-sm">
      <legend>
        Into the freezer: <b className="figures">{batch.frozenBoxes}</b> of <span className="figures">{batch.boxes}</span> boxes
      </legend>
      <div className="mt-1 flex gap-1">
        {shares.map(([share, says]) => (
          <Button key={share} className="flex-1 px-1" onClick={() => void edits.freezeBatch(batch, share)}>
            {says}
          </Button>
        ))}
      </div>
    </fieldset>
  );
}

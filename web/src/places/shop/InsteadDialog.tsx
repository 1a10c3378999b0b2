import { useState } from 'react';
import { api, kept, type Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { KeyPicker, type Named } from '../../pieces/KeyPicker';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { useEdit } from '../../pieces/useEdit';

type Props = { item: Schemas['ShopItem']; food: string; week: string; onClose: () => void };

/** What is taken because that is what there is: every number of what is still to be cooked follows. */
export function InsteadDialog({ item, food, week, onClose }: Props) {
  const [other, setOther] = useState<Named[]>([]);
  const edit = useEdit();
  const instead = other[0];
  const letters = item.batches.map((need) => need.letter).join(', ');
  return (
    <SheetDialog title={`Instead of ${item.name}`} onClose={onClose}>
      <form
        className="space-y-3 text-sm"
        onSubmit={(event) => {
          event.preventDefault();
          if (!instead) return;
          void edit.run({
            ask: () =>
              kept(api.POST('/api/weeks/{date}/shop/instead', { params: { path: { date: week } }, body: { food, instead: instead.key } })),
            say: (name) => `${name} instead of ${item.name}: every number follows.`,
            last: onClose,
            isTold: true,
          });
        }}
      >
        <p className="text-steel">
          As much of it as the recipes say, in {letters}. The recipes themselves stay as they are, and what somebody is allergic to is
          refused.
        </p>
        <div>
          <span className="block font-semibold">What there is</span>
          <KeyPicker
            label="What there is"
            withFoods
            withPackets
            picked={other}
            classes={[]}
            onChange={(picked) => setOther(picked.slice(-1))}
          />
        </div>
        <ProblemNote of={edit.problem} />
        <Button type="submit" look="main" disabled={!instead || edit.isPending} className="w-full">
          Take it
        </Button>
      </form>
    </SheetDialog>
  );
}

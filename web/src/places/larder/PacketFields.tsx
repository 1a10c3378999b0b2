import type { Problem, Schemas } from '../../api/client';
import { Choice, Field } from '../../pieces/Field';
import { KeyPicker } from '../../pieces/KeyPicker';
import { typedNumber } from '../../pieces/show';
import { useTable } from '../table/queries';
import { bases, type Country, countries, type Draft } from './queries';
import { useTypedNumber } from './useTypedNumber';

type Props = {
  draft: Draft;
  set: (part: Partial<Draft>) => void;
  problem: Problem | null;
  servings: string;
  setServings: (typed: string) => void;
};

/** What stands on a packet besides its values and its ingredients. */
export function PacketFields({ draft, set, problem, servings, setServings }: Props) {
  const table = useTable();
  const classes = table.data?.classes ?? [];
  const price = useTypedNumber(draft.price, (value) => set({ price: value }));
  const points = useTypedNumber(draft.points, (value) => set({ points: value }));
  const days = useTypedNumber(draft.openedDays, (value) => set({ openedDays: value === null ? null : Math.round(value) }));
  const of = (field: string) => (problem?.field === field ? problem.title : undefined);
  return (
    <div className="mb-5 grid grid-cols-2 gap-x-4 gap-y-3 sm:grid-cols-6">
      <Field
        label="Name"
        value={draft.name}
        onChange={(name) => set({ name })}
        problem={of('name')}
        className="col-span-2 sm:col-span-4"
        autoComplete="off"
      />
      <Choice
        label="Country of the label"
        value={draft.country}
        options={countries}
        onChange={(value) => set({ country: value as Country, basis: value === 'other' ? (draft.basis ?? 'total') : null })}
        className="sm:col-span-2"
      />
      {draft.country === 'other' && (
        <Choice
          label="Carbohydrate"
          value={draft.basis ?? 'total'}
          options={bases}
          onChange={(basis) => set({ basis: basis as Schemas['LabelBasis'] })}
          className="col-span-2 sm:col-span-6"
        />
      )}
      <Field
        label="Values are for"
        value={draft.serving}
        onChange={(serving) => set({ serving })}
        problem={of('serving')}
        hint="2 pieces or 93 g, 100 g; 1 slice = 10 g"
        className="sm:col-span-2"
      />
      <Field
        label="Pack"
        value={draft.pack}
        onChange={(pack) => set({ pack })}
        problem={of('pack')}
        hint="400 g, 14 oz"
        className="sm:col-span-2"
      />
      <Field
        label="A batch takes"
        inputMode="decimal"
        value={servings}
        onChange={setServings}
        hint="servings"
        className="sm:col-span-2"
        problem={Number.isNaN(typedNumber(servings) ?? 0) ? 'Type a number.' : undefined}
      />
      <Field label="Price of a pack" inputMode="decimal" {...price} className="sm:col-span-2" />
      <Field label="Points of a serving" inputMode="decimal" hint="from a list, if any" {...points} className="sm:col-span-2" />
      <Field label="Opened, keeps" inputMode="numeric" hint="days, as printed" {...days} className="sm:col-span-2" />
      <div className="col-span-2 sm:col-span-4">
        <span className="block text-sm font-semibold">What it is</span>
        <KeyPicker
          label="What it is"
          picked={draft.classes.map((key) => ({ key, name: classes.find((one) => one.key === key)?.name ?? key }))}
          classes={classes}
          onChange={(picked) => set({ classes: picked.map((one) => one.key) })}
        />
      </div>
      <Field label="Aisle" value={draft.aisle} onChange={(aisle) => set({ aisle })} className="sm:col-span-2" />
    </div>
  );
}

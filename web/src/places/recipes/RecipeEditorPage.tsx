import { useMutation } from '@tanstack/react-query';
import { memo, useCallback, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, Problem, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Choice, Field, inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { countsInOunces, mealChoices, typedNumber } from '../../pieces/show';
import { TakenUp } from '../../pieces/TakenUp';
import { useSettled } from '../../pieces/useSettled';
import { useUnsaved } from '../../pieces/useUnsaved';
import { ClaimEditor } from './ClaimEditor';
import { LineEditor } from './LineEditor';
import { Numbers } from './Numbers';
import { blankLine, type Draft, toDraft, useChecked, useKeepingClasses, useRecipe, useSaveRecipe, withoutBlanks } from './queries';
import { TaskEditor } from './TaskEditor';
import { VariantEditor } from './VariantEditor';
import { Verdicts } from './Verdicts';

const empty = (): Draft => ({
  name: '',
  portions: null,
  meal: null,
  keeping: '',
  reheating: '',
  atEating: '',
  system: countsInOunces() ? 'unitedStates' : 'metric',
  parts: [],
  variants: [],
  lines: [blankLine()],
  tasks: [],
  claims: [],
  source: '',
  note: '',
  basedOn: null,
});

const nothing: never[] = [];
const Lines = memo(LineEditor);
const Variants = memo(VariantEditor);
const Tasks = memo(TaskEditor);
const Stated = memo(ClaimEditor);

/** A new recipe by pasting or typing, or the next version of one: read and judged while it is written. */
export function RecipeEditorPage() {
  const { id } = useParams();
  const recipe = useRecipe(id);
  const [round, setRound] = useState(0);
  const onAfresh = () => setRound(round + 1);
  if (!id) return <Editor key={`new ${round}`} id={undefined} start={empty()} onAfresh={onAfresh} />;
  return <Asked of={recipe}>{(sheet) => <Editor key={`${id} ${round}`} id={id} start={toDraft(sheet)} onAfresh={onAfresh} />}</Asked>;
}

function Editor({ id, start, onAfresh }: { id: string | undefined; start: Draft; onAfresh: () => void }) {
  const navigate = useNavigate();
  const keeping = useKeepingClasses();
  const unsaved = useUnsaved(`recipe ${id ?? 'new'}`, start);
  const { value: draft, setValue: setDraft } = unsaved;
  // The parts of the page are drawn again only when what they show is another: an answer comes to the screen sooner.
  const set = useCallback((change: Partial<Draft>) => setDraft((current) => ({ ...current, ...change })), [setDraft]);
  const edit = useCallback((change: (draft: Draft) => Partial<Draft>) => setDraft((now) => ({ ...now, ...change(now) })), [setDraft]);
  const setVariants = useCallback((variants: Draft['variants']) => set(variants ? { variants } : {}), [set]);
  const addLine = useCallback(
    (text: string, part: string) =>
      edit(({ lines }) => {
        const written = lines.filter((line) => line.text.trim());
        const last = written.findLastIndex((line) => line.part === part);
        return { lines: written.toSpliced(last < 0 ? written.length : last + 1, 0, { ...blankLine(part), text }) };
      }),
    [edit],
  );
  const setTasks = useCallback((tasks: Draft['tasks']) => set({ tasks }), [set]);
  const [openVariant, setOpenVariant] = useState<number | null>(null);
  // Between two letters of a quick hand; what is asked is dropped when the next letter comes.
  const settled = useSettled(draft, 10);
  const checked = useChecked(settled, null, id);
  const variant = openVariant === null ? null : (settled.variants?.[openVariant]?.name ?? null);
  const varied = useChecked(variant === null ? null : settled, variant, id);
  const judged = variant === null ? checked.data : varied.data;
  const { save, isPending } = useSaveRecipe(id);
  const suggested = checked.data?.suggestedKeeping ?? null;
  const [portionsTyped, setPortionsTyped] = useState(draft.portions === null ? '' : String(draft.portions));
  const portionsMissing = portionsTyped.trim() === '';
  const isPossible = (portions: number | null): portions is number => portions !== null && portions >= 0.25 && portions <= 1000;
  const portionsWrong = !isPossible(typedNumber(portionsTyped));

  const onPortions = (typed: string) => {
    setPortionsTyped(typed);
    const portions = typedNumber(typed);
    if (portions === null || isPossible(portions)) set({ portions });
  };

  const onSave = () =>
    save(withoutBlanks(draft), {
      first: (sheet) => {
        unsaved.forget();
        return navigate(`/recipes/${sheet.id}`);
      },
      say: (sheet) => `${sheet.name} is saved as version ${sheet.number}.`,
    });

  const problem = checked.error instanceof Problem ? checked.error : null;
  return (
    <div className="mx-auto grid max-w-6xl gap-8 p-4 md:p-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <form
        className="min-w-0 space-y-6"
        onKeyDown={(event) => {
          // Enter goes on to the next line where there is one; it never saves half a recipe.
          if (event.key === 'Enter' && event.target instanceof HTMLInputElement) event.preventDefault();
        }}
        onSubmit={(event) => {
          event.preventDefault();
          onSave();
        }}
      >
        <div className="flex items-center gap-3">
          <h1 className="flex-1 text-2xl">{id ? 'Change recipe' : 'New recipe'}</h1>
          <Button
            onClick={() => {
              unsaved.forget();
              navigate(-1);
            }}
          >
            Cancel
          </Button>
          <Button
            type="submit"
            look="main"
            disabled={
              isPending || (portionsWrong && !portionsMissing) || !draft.name.trim() || !draft.lines.some((line) => line.text.trim())
            }
          >
            Save
          </Button>
        </div>
        <TakenUp of={unsaved} onAfresh={onAfresh} />
        {!id && (
          <PasteBox
            onRead={(read) => {
              setDraft({ ...read, lines: read.lines.map((line) => ({ ...line, id: line.id ?? crypto.randomUUID() })) });
              setPortionsTyped(read.portions === null ? '' : String(read.portions));
            }}
          />
        )}
        <div className="grid gap-3 sm:grid-cols-[minmax(0,1fr)_7rem_10rem]">
          <Field label="Name" value={draft.name} onChange={(name) => set({ name })} />
          <Field
            label="Portions"
            inputMode="decimal"
            value={portionsTyped}
            onChange={onPortions}
            problem={portionsWrong && !portionsMissing ? 'From 0.25 to 1000' : undefined}
            hint={portionsMissing ? 'How many does it make?' : undefined}
          />
          <Choice
            label="Meal"
            value={draft.meal ?? ''}
            onChange={(meal) => set({ meal: meal || null })}
            options={[['', 'any'], ...mealChoices()]}
          />
        </div>
        <Lines draft={draft} onEdit={edit} read={checked.data?.lines ?? nothing} />
        <Variants draft={draft} onChange={setVariants} open={openVariant} onOpen={setOpenVariant} read={varied.data?.lines ?? nothing} />
        <Tasks tasks={draft.tasks} lines={draft.lines} steps={checked.data?.steps ?? nothing} onChange={setTasks} onLine={addLine} />
        <div className="grid gap-3 sm:grid-cols-2">
          <Choice
            label="Keeps as"
            value={draft.keeping || (suggested?.key ?? '')}
            onChange={(key) => set({ keeping: key })}
            hint={draft.keeping ? undefined : (suggested?.because ?? 'Choose what kind of dish it is')}
            options={[
              ...(draft.keeping || suggested ? [] : [['', '…'] as [string, string]]),
              ...(keeping.data ?? []).map((one): [string, string] => [
                one.key,
                `${one.name} (${one.fridgeDays} ${one.fridgeDays === 1 ? 'day' : 'days'}${one.freezerMonths ? '' : ', not frozen'})`,
              ]),
            ]}
          />
          <Choice
            label="Cups and spoons are"
            value={draft.system}
            onChange={(system) => set({ system: system as Draft['system'] })}
            options={[
              ['metric', 'metric (250 ml, 15 ml)'],
              ['unitedStates', 'US (237 ml, 14.8 ml)'],
              ['imperial', 'imperial'],
              ['australia', 'Australian (250 ml, 20 ml)'],
            ]}
          />
          <Field
            label="How to reheat"
            value={draft.reheating}
            onChange={(reheating) => set({ reheating })}
            hint="Empty when it is eaten cold"
          />
          <Field
            label="At eating"
            value={draft.atEating}
            onChange={(atEating) => set({ atEating })}
            hint="What comes off before reheating or goes on after"
          />
        </div>
        <Stated draft={draft} read={checked.data?.claims ?? nothing} onChange={set} />
      </form>
      <aside
        aria-label="Verdicts"
        className="rimmed sticky top-4 max-h-[calc(100dvh-5rem)] self-start overflow-y-auto border-x border-b border-line p-4"
      >
        <h2 className="mb-2 text-lg">Does it fit?</h2>
        {variant !== null && <p className="mb-2 text-sm text-steel">The variant “{variant}”.</p>}
        <ProblemNote of={problem} />
        {judged ? (
          <>
            <Verdicts of={judged.verdicts} />
            <h3 className="mt-6 mb-1 text-base">{portionsMissing ? 'All of it' : 'Numbers'}</h3>
            {portionsMissing && (
              <p className="mb-2 text-sm text-steel">Say how many portions it makes; until then everything is judged as one.</p>
            )}
            <Numbers of={judged} />
          </>
        ) : (
          <p className="text-sm text-steel">Numbers and verdicts come up here with the first line.</p>
        )}
      </aside>
    </div>
  );
}

function PasteBox({ onRead }: { onRead: (draft: Draft) => void }) {
  const [text, setText] = useState('');
  const read = useMutation({
    mutationFn: (pasted: string) => take(api.POST('/api/recipes/read-text', { body: { text: pasted } })),
    onSuccess: onRead,
  });
  const problem = read.error instanceof Problem ? read.error : null;
  return (
    <section className="border border-line bg-tray p-3">
      <label htmlFor="paste" className="text-sm font-semibold">
        Paste a recipe as it is written, or the source of its page
      </label>
      <textarea
        id="paste"
        rows={4}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPaste={(event) => {
          const pasted = event.clipboardData.getData('text/plain');
          // A whole recipe or page is read at once; a word or two is only typed in.
          if (pasted.includes('\n') || pasted.length > 200) read.mutate(pasted);
        }}
        placeholder={'Name\nServes 4\n2 onions, sliced\n400 g tin chickpeas, drained\n…'}
        className={`${inputLook} mt-1 w-full font-sans`}
      />
      <div className="mt-1 flex items-center gap-3">
        <Button onClick={() => read.mutate(text)} disabled={!text.trim() || read.isPending}>
          Read it
        </Button>
        {problem ? (
          <ProblemNote of={problem} />
        ) : (
          <p className="text-sm text-steel">
            {read.isSuccess
              ? 'Read. Look the lines over below; what could not be read is marked.'
              : 'Or type the lines below, one ingredient each.'}
          </p>
        )}
      </div>
    </section>
  );
}

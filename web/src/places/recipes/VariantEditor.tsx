import { ChevronDown, ChevronRight, Plus, X } from 'lucide-react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { NumberInput } from '../../pieces/NumberInput';
import { blankLine, type Draft, type DraftLine, type DraftVariant, partNames } from './queries';

const ways: [string, string][] = [
  ['as', 'as it is'],
  ['out', 'left out'],
  ['times', 'more or less'],
  ['instead', 'instead of it'],
];

/** The dish with some lines otherwise: what differs is picked from its own lines. */
export function VariantEditor({
  draft,
  onChange,
  open,
  onOpen,
  read,
}: {
  draft: Draft;
  onChange: (variants: DraftVariant[]) => void;
  open: number | null;
  onOpen: (at: number | null) => void;
  read: Schemas['SheetLine'][];
}) {
  const variants = draft.variants ?? [];
  const add = () => {
    const name = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]
      .map((at) => `Variant ${at}`)
      .find((one) => !variants.some((two) => two.name === one));
    onChange([...variants, { name: name ?? 'Variant', lines: [], parts: [], added: [] }]);
    onOpen(variants.length);
  };
  return (
    <section>
      <h2 className="mb-1 text-lg">Variants</h2>
      {variants.length === 0 && (
        <p className="mb-1 text-sm text-steel">
          Another cheese for one of you, no sauce, half the rice as cauliflower: one recipe, cooked in one batch.
        </p>
      )}
      <ul>
        {variants.map((variant, at) => {
          const Mark = open === at ? ChevronDown : ChevronRight;
          return (
            <li key={at} className="border-t border-line py-1">
              <div className="flex items-center gap-2">
                <button
                  type="button"
                  aria-label={`What differs in ${variant.name}`}
                  aria-expanded={open === at}
                  onClick={() => onOpen(open === at ? null : at)}
                  className="flex size-9 items-center justify-center text-cobalt"
                >
                  <Mark size={17} />
                </button>
                <input
                  aria-label={`Name of variant ${at + 1}`}
                  value={variant.name}
                  maxLength={60}
                  onChange={(event) => onChange(variants.map((one, index) => (index === at ? { ...one, name: event.target.value } : one)))}
                  className={`${inputLook} w-72 max-w-full font-semibold`}
                />
                <span className="min-w-0 flex-1 truncate text-sm text-steel">{summary(draft, variant)}</span>
                <button
                  type="button"
                  aria-label={`Remove variant ${variant.name}`}
                  className="flex size-8 items-center justify-center text-steel hover:text-rim"
                  onClick={() => {
                    onChange(variants.filter((_, index) => index !== at));
                    onOpen(null);
                  }}
                >
                  <X size={16} />
                </button>
              </div>
              {open === at && (
                <Differences
                  draft={draft}
                  variant={variant}
                  read={read}
                  onChange={(next) => onChange(variants.map((one, index) => (index === at ? next : one)))}
                />
              )}
            </li>
          );
        })}
      </ul>
      {variants.length < 12 && (
        <Button look="bare" onClick={add}>
          <Plus size={15} /> Another variant
        </Button>
      )}
    </section>
  );
}

/** "without coriander, tofu instead": what differs, in a line. */
export function summary(draft: Pick<Draft, 'lines'>, variant: DraftVariant): string {
  const named = (id: string) => draft.lines.find((line) => line.id === id)?.text ?? 'a line';
  return [
    ...variant.parts
      .filter((change) => change.times !== 1)
      .map((change) =>
        change.times === 0 ? `without ${change.part || 'the main part'}` : `${change.times} × ${change.part || 'main part'}`,
      ),
    ...variant.lines
      .filter((change) => change.times !== 1)
      .map((change) => (change.times === 0 ? `without ${named(change.line)}` : `${change.times} × ${named(change.line)}`)),
    ...variant.added.map((added) => (added.instead ? `${added.line.text} instead of ${named(added.instead)}` : `and ${added.line.text}`)),
  ].join(', ');
}

function Differences({
  draft,
  variant,
  read,
  onChange,
}: {
  draft: Draft;
  variant: DraftVariant;
  read: Schemas['SheetLine'][];
  onChange: (variant: DraftVariant) => void;
}) {
  const names = partNames(draft);
  const isLeftOut = (part: string) => variant.parts.some((change) => change.part === part && change.times === 0);
  const lines = draft.lines.filter((line) => line.text.trim() && line.id && !isLeftOut(line.part));
  const setLine = (id: string, way: string, times = 1) =>
    onChange({
      ...variant,
      lines: [
        ...variant.lines.filter((change) => change.line !== id),
        ...(way === 'out' ? [{ line: id, times: 0 }] : way === 'times' ? [{ line: id, times }] : []),
      ],
      added:
        way === 'instead'
          ? [...variant.added.filter((added) => added.instead !== id), { instead: id, line: blankLine(partOf(lines, id)) }]
          : variant.added.filter((added) => added.instead !== id),
    });
  const setPart = (part: string, times: number) =>
    onChange({ ...variant, parts: [...variant.parts.filter((change) => change.part !== part), ...(times === 1 ? [] : [{ part, times }])] });
  const setText = (id: string | undefined | null, change: Partial<DraftLine>) =>
    onChange({
      ...variant,
      added: variant.added.map((added) => (added.line.id === id ? { ...added, line: { ...added.line, ...change } } : added)),
    });
  const readOf = (line: DraftLine) => read.find((one) => one.id === line.id);
  return (
    <div className="mb-2 border-l-2 border-line bg-tray px-3 py-2 text-sm">
      {names.length > 1 &&
        names.map((name) => (
          <div key={name} className="flex flex-wrap items-center gap-2 py-0.5">
            <span className="min-w-48 flex-1 font-semibold">{name || 'Main part'}</span>
            <select
              aria-label={`${name || 'Main part'} in this variant`}
              value={String(variant.parts.find((change) => change.part === name)?.times ?? 1)}
              onChange={(event) => setPart(name, Number(event.target.value))}
              className={inputLook}
            >
              <option value="1">as it is</option>
              <option value="0">without it</option>
              <option value="2">twice of it</option>
            </select>
          </div>
        ))}
      {lines.map((line) => {
        const id = line.id ?? '';
        const change = variant.lines.find((one) => one.line === id);
        const instead = variant.added.find((added) => added.instead === id);
        const way = instead ? 'instead' : change?.times === 0 ? 'out' : change ? 'times' : 'as';
        return (
          <div key={id} className="flex flex-wrap items-center gap-2 py-0.5">
            <span className={`min-w-48 flex-1 wrap-anywhere ${way === 'out' || way === 'instead' ? 'text-steel line-through' : ''}`}>
              {line.text}
            </span>
            <select
              aria-label={`${line.text} in this variant`}
              value={way}
              onChange={(event) => setLine(id, event.target.value)}
              className={inputLook}
            >
              {ways.map(([key, word]) => (
                <option key={key} value={key}>
                  {word}
                </option>
              ))}
            </select>
            {way === 'times' && (
              <NumberInput
                label={`How often ${line.text} goes in`}
                unit="×"
                value={change?.times ?? 1}
                isPossible={(times) => times > 0 && times <= 10}
                onChange={(times) => times !== null && setLine(id, 'times', times)}
              />
            )}
            {instead && (
              <Added
                line={instead.line}
                label={`Instead of ${line.text}`}
                read={readOf(instead.line)}
                onChange={(text) => setText(instead.line.id, { text })}
              />
            )}
          </div>
        );
      })}
      {variant.added
        .filter((added) => !added.instead)
        .map((added, at) => (
          <div key={added.line.id} className="flex flex-wrap items-center gap-2 py-0.5">
            <Added
              line={added.line}
              label={`One more in this variant ${at + 1}`}
              read={readOf(added.line)}
              onChange={(text) => setText(added.line.id, { text })}
            />
          </div>
        ))}
      <Button look="bare" onClick={() => onChange({ ...variant, added: [...variant.added, { instead: null, line: blankLine() }] })}>
        <Plus size={15} /> Something more
      </Button>
    </div>
  );
}

const partOf = (lines: DraftLine[], id: string) => lines.find((line) => line.id === id)?.part ?? '';

/** A line that only the variant has, and how it was read. */
function Added({
  line,
  label,
  read,
  onChange,
}: {
  line: DraftLine;
  label: string;
  read: Schemas['SheetLine'] | undefined;
  onChange: (text: string) => void;
}) {
  return (
    <span className="flex basis-full flex-wrap items-center gap-2">
      <input
        aria-label={label}
        value={line.text}
        maxLength={300}
        onChange={(event) => onChange(event.target.value)}
        className={`${inputLook} w-72 max-w-full`}
      />
      {read && read.text === line.text.trim() && (
        <span className="min-w-0 flex-1 text-xs text-steel">
          <b>{read.foodName ?? 'no food yet'}</b> {read.doubt && (read.doubt.endsWith('?') ? read.doubt : `${read.doubt}.`)}
        </span>
      )}
    </span>
  );
}

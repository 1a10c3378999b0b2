import { Plus } from 'lucide-react';
import { memo, useMemo, useRef } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { drawThenFocus } from '../../pieces/drawThenFocus';
import { LineRow } from './LineRow';
import { PartHead } from './PartHead';
import { blankLine, blankPart, type Draft, type DraftLine, type DraftPart, partNames } from './queries';

type Parts = Pick<Draft, 'lines' | 'parts' | 'variants'>;

/** Lines and variants with a part under another name. */
function renamed(draft: Draft, from: string, to: string) {
  const line = (one: DraftLine) => (one.part === from ? { ...one, part: to } : one);
  return {
    lines: draft.lines.map(line),
    variants: (draft.variants ?? []).map((variant) => ({
      ...variant,
      parts: variant.parts.map((change) => (change.part === from ? { ...change, part: to } : change)),
      added: variant.added.map((added) => ({ ...added, line: line(added.line) })),
    })),
  };
}

const Row = memo(LineRow);
const mostLines = 200;

/** Ingredient lines as typed, part by part, and beside each how it was read. */
export function LineEditor({
  draft,
  onEdit,
  read,
}: {
  draft: Draft;
  /** Changes the draft as it is by then, so that a row need not be drawn anew to know it. */
  onEdit: (edit: (draft: Draft) => Partial<Parts>) => void;
  read: Schemas['SheetLine'][];
}) {
  const list = useRef<HTMLDivElement>(null);
  const { lines } = draft;
  const parts = draft.parts ?? [];
  const names = partNames(draft);
  const nameList = useMemo(() => names, [names.join('\n')]);
  const written = lines.filter((line) => line.text.trim());
  const set = (change: Partial<Parts>) => onEdit(() => change);

  const edits = useMemo(() => {
    /** Lines stand part by part on the page, so a field is found by its number. */
    const fieldOf = (at: number) => list.current?.querySelector<HTMLInputElement>(`[aria-label="Ingredient ${at + 1}"]`);
    const insert = (at: number, added: DraftLine[]) =>
      drawThenFocus(
        () => onEdit(({ lines }) => ({ lines: [...lines.slice(0, at), ...added, ...lines.slice(at)].slice(0, mostLines) })),
        () => fieldOf(at + added.length - 1),
      );
    return {
      change: (at: number, change: Partial<DraftLine>) =>
        onEdit(({ lines }) => ({ lines: lines.map((line, index) => (index === at ? { ...line, ...change } : line)) })),
      next: (at: number, part: string) => insert(at + 1, [blankLine(part)]),
      remove: (at: number) =>
        onEdit(({ lines }) => ({ lines: lines.length > 1 ? lines.filter((_, index) => index !== at) : [blankLine()] })),
      /** A list that is pasted into one field is as many lines; the line that stands there stays. */
      paste: (at: number, line: DraftLine, rows: string[]) => {
        const added = rows.map((text) => ({ ...blankLine(line.part), text }));
        const [first, ...rest] = added;
        if (line.text.trim() || !first) insert(at + 1, added);
        else {
          onEdit(({ lines }) => ({ lines: lines.map((one, index) => (index === at ? { ...one, text: first.text } : one)) }));
          insert(at + 1, rest);
        }
      },
    };
  }, [onEdit]);

  const partOf = (name: string): DraftPart => parts.find((part) => part.name === name) ?? blankPart(name);
  const changePart = (name: string, change: Partial<DraftPart>) => {
    const next = { ...partOf(name), ...change };
    // Two parts of one name are one part.
    if (next.name !== name && names.includes(next.name)) return;
    set({
      parts: names.map((one) => (one === name ? next : partOf(one))),
      ...(next.name === name ? {} : renamed(draft, name, next.name)),
    });
  };
  const removePart = (name: string) => {
    const before = names[names.indexOf(name) - 1] ?? '';
    set({
      ...renamed(draft, name, before),
      parts: names.filter((one) => one !== name).map(partOf),
      // What a variant said of the part alone would now be said of both.
      variants: renamed(draft, name, before).variants.map((variant) => ({
        ...variant,
        parts: (draft.variants ?? []).find((one) => one.name === variant.name)?.parts.filter((change) => change.part !== name) ?? [],
      })),
    });
  };
  const addPart = () => {
    const free = [2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((at) => `Part ${at}`).find((name) => !names.includes(name)) ?? 'Another part';
    drawThenFocus(
      () => set({ parts: [...names.map(partOf), blankPart(free)], lines: [...lines, blankLine(free)] }),
      () => list.current?.querySelector<HTMLInputElement>(`[aria-label="Name of the part ${free}"]`),
    );
  };

  return (
    <section ref={list}>
      <h2 className="text-lg">Ingredients</h2>
      {names.map((name) => (
        <div key={names.indexOf(name)}>
          <PartHead
            part={partOf(name)}
            isOnly={names.length === 1}
            onChange={(change) => changePart(name, change)}
            onRemove={() => removePart(name)}
          />
          <ol className="space-y-1">
            {lines.map((line, at) =>
              line.part !== name ? null : (
                <Row
                  key={line.id ?? at}
                  line={line}
                  at={at}
                  read={line.text.trim() ? read[written.indexOf(line)] : undefined}
                  parts={nameList}
                  edits={edits}
                />
              ),
            )}
          </ol>
          <Button
            look="bare"
            className="mt-1"
            onClick={() => edits.next((lines.findLastIndex((line) => line.part === name) + 1 || lines.length) - 1, name)}
          >
            <Plus size={15} /> Another line
            {names.length > 1 && <span className="sr-only"> for {name || 'the main part'}</span>}
          </Button>
        </div>
      ))}
      {names.length < 12 && (
        <Button look="bare" onClick={addPart}>
          <Plus size={15} /> Another part
        </Button>
      )}
    </section>
  );
}

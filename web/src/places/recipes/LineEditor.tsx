import { Plus } from 'lucide-react';
import { useRef } from 'react';
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

/** Ingredient lines as typed, part by part, and beside each how it was read. */
export function LineEditor({ draft, onChange, read }: { draft: Draft; onChange: (change: Parts) => void; read: Schemas['SheetLine'][] }) {
  const list = useRef<HTMLDivElement>(null);
  const { lines } = draft;
  const parts = draft.parts ?? [];
  const names = partNames(draft);
  const written = lines.filter((line) => line.text.trim());
  const set = (change: Partial<Parts>) => onChange({ lines, parts, variants: draft.variants ?? [], ...change });
  const replace = (at: number, change: Partial<DraftLine>) =>
    set({ lines: lines.map((line, index) => (index === at ? { ...line, ...change } : line)) });

  /** Lines stand part by part on the page, so a field is found by its number. */
  const fieldOf = (at: number) => list.current?.querySelector<HTMLInputElement>(`[aria-label="Ingredient ${at + 1}"]`);
  const insert = (at: number, part: string) =>
    drawThenFocus(
      () => set({ lines: [...lines.slice(0, at), blankLine(part), ...lines.slice(at)] }),
      () => fieldOf(at),
    );
  const remove = (at: number) => set({ lines: lines.length > 1 ? lines.filter((_, index) => index !== at) : [blankLine()] });

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
                <LineRow
                  key={line.id ?? at}
                  line={line}
                  at={at}
                  read={line.text.trim() ? read[written.indexOf(line)] : undefined}
                  parts={names}
                  onChange={(change) => replace(at, change)}
                  onNext={() => insert(at + 1, name)}
                  onRemove={() => remove(at)}
                />
              ),
            )}
          </ol>
          <Button
            look="bare"
            className="mt-1"
            onClick={() => insert(lines.findLastIndex((line) => line.part === name) + 1 || lines.length, name)}
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

import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, kept, type Schemas, take } from '../../api/client';
import { portions } from '../../pieces/show';
import { type Edit, useEdit } from '../../pieces/useEdit';

export type Draft = Schemas['RecipeDraft'];
export type DraftLine = Schemas['DraftLine'];
export type DraftPart = Schemas['DraftPart'];
export type DraftVariant = Schemas['DraftVariant'];
export type Sheet = Schemas['RecipeSheet'];

export const useRecipes = () => useQuery({ queryKey: ['recipes'], queryFn: () => take(api.GET('/api/recipes')) });

/** @param variant whose lines, numbers and verdicts are shown; the recipe's own without it */
export const useRecipe = (id: string | undefined, variant: string | null = null) =>
  useQuery({
    queryKey: ['recipes', id, variant],
    enabled: id !== undefined,
    // A variant is drawn over the one before it, never over another recipe.
    placeholderData: (before: Sheet | undefined) => (before?.id === id ? before : undefined),
    queryFn: () => take(api.GET('/api/recipes/{id}', { params: { path: { id: id ?? '' }, query: variant === null ? {} : { variant } } })),
  });

export const useKeepingClasses = () =>
  useQuery({ queryKey: ['keeping'], staleTime: Number.POSITIVE_INFINITY, queryFn: () => take(api.GET('/api/recipes/keeping')) });

/** The numbers and verdicts of a draft, asked again whenever it changes; the last answer stays until the next is there. */
export const useChecked = (draft: Draft | null, variant: string | null, recipe: string | undefined) =>
  useQuery({
    queryKey: ['check', draft, variant, recipe],
    enabled: draft?.lines.some((line) => line.text.trim()) ?? false,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) =>
      take(
        api.POST('/api/recipes/check', {
          signal,
          body: draft as Draft,
          params: { query: { ...(variant === null ? {} : { variant }), ...(recipe ? { recipe } : {}) } },
        }),
      ),
  });

/** @param recipes whether a line may take some of another recipe */
export const useFoods = (typed: string, recipes = false) =>
  useQuery({
    queryKey: ['foods', typed, recipes],
    enabled: typed.trim().length > 0,
    placeholderData: keepPreviousData,
    queryFn: () => take(api.GET('/api/foods', { params: { query: { query: typed, recipes } } })),
  });

export function useSaveRecipe(id: string | undefined) {
  const edit = useEdit();
  return {
    isPending: edit.isPending,
    problem: edit.problem,
    save: (draft: Draft, then: Pick<Edit<Sheet>, 'say' | 'first'>) =>
      edit.run({
        ask: () =>
          kept(id ? api.PUT('/api/recipes/{id}', { params: { path: { id } }, body: draft }) : api.POST('/api/recipes', { body: draft })),
        ...then,
      }),
  };
}

/** How much of another recipe: "½ batch", "0.3 to 0.4 batches". */
export function shareOf(batches: Schemas['ShownEstimate'] | null): string {
  if (batches === null) return '';
  const { low, best, high } = batches;
  const [least, most] = [portions(low), portions(high ?? best)];
  return least === most ? `${portions(best)} ${best > 1 ? 'batches' : 'batch'}` : `${least} to ${most} ${best > 1 ? 'batches' : 'batch'}`;
}

/** A new line has its id at once, so that a variant may name it before it is saved. */
export const blankLine = (part = ''): DraftLine => ({ id: crypto.randomUUID(), part, text: '', food: null, eatenShare: 1, keptFat: 1 });

export const blankPart = (name: string): DraftPart => ({
  name,
  apart: 'no',
  keeping: '',
  keepingReason: '',
  takesOff: false,
  goesOn: false,
  madeAmount: null,
  madeUnit: 'grams',
});

/** Names of the parts in order; those that nothing is said of stand behind. */
export const partNames = (draft: Pick<Draft, 'lines' | 'parts'>): string[] => [
  ...new Set([...(draft.parts ?? []).map((part) => part.name), ...draft.lines.map((line) => line.part)]),
];

/** What is left of a draft without the lines and parts that nothing was typed into. */
export function withoutBlanks(draft: Draft): Draft {
  const lines = draft.lines.filter((line) => line.text.trim());
  const ids = new Set(lines.map((line) => line.id));
  const names = new Set(lines.map((line) => line.part));
  return {
    ...draft,
    lines,
    parts: (draft.parts ?? []).filter((part) => names.has(part.name)),
    // What a variant says of a line or part that is gone goes with it.
    variants: (draft.variants ?? []).map((variant) => ({
      ...variant,
      lines: variant.lines.filter((change) => change.times !== 1 && ids.has(change.line)),
      parts: variant.parts.filter((change) => change.times !== 1 && names.has(change.part)),
      added: variant.added.filter((added) => added.line.text.trim() && (!added.instead || ids.has(added.instead))),
    })),
  };
}

export function toDraft(sheet: Sheet): Draft {
  return {
    name: sheet.name,
    portions: sheet.portions,
    meal: sheet.meal,
    keeping: sheet.keeping.key,
    reheating: sheet.reheating,
    atEating: sheet.atEating,
    system: sheet.system,
    parts: sheet.parts,
    variants: sheet.variants,
    lines: sheet.lines.map(({ id, part, text, food, isChosen, precision, eatenShare, keptFat, isOptional }) => ({
      id,
      part,
      text,
      food: isChosen ? food : null,
      precision,
      eatenShare,
      keptFat,
      isOptional,
    })),
    tasks: sheet.tasks,
    claims: sheet.claims.map((one) => one.claim),
    source: sheet.source,
    note: sheet.note,
    basedOn: sheet.number,
  };
}

/** A protocol's document as the editor holds it: plain JSON that the server checks with path, value and cure. */
export type Json = string | number | boolean | null | Json[] | { [key: string]: Json };
export type Rule = { kind: string; id: string; [key: string]: Json };
export type Option = { id: string; name: string; rules: Rule[] };
export type Coefficient = { measure?: string; class?: string; pointsPerUnit: number; mostCredit?: number | null };
export type FreeFood = { food: string; upTo?: number | null; per?: string };
export type TypedPoints = { food: string; points: number; grams: number };
export type Scheme = {
  id: string;
  name: string;
  coefficients: Coefficient[];
  step: number;
  rounding: string;
  free: FreeFood[];
  typed: TypedPoints[];
};
export type Challenge = { id: string; name: string; allows: string[]; days: number; washoutDays: number; doses: string[] };
export type Phases = { shortestDays: number; longestDays: number; challenges: Challenge[] };
export type Document = {
  $schema?: string;
  id: string;
  name: string;
  summary: string;
  source: string;
  rules: Rule[];
  choices: { id: string; name: string; options: Option[] }[];
  scheme?: Scheme;
  phases?: Phases;
  cautions: string[];
};

/** Where a list of rules stands: always, or under one option of a choice. */
export type RulesAt = null | { choice: number; option: number };

export const rulesAt = (document: Document, at: RulesAt): Rule[] =>
  (at === null ? document.rules : document.choices[at.choice]?.options[at.option]?.rules) ?? [];

export function withRules(document: Document, at: RulesAt, rules: Rule[]): Document {
  if (at === null) return { ...document, rules };
  return {
    ...document,
    choices: document.choices.map((choice, index) =>
      index !== at.choice
        ? choice
        : { ...choice, options: choice.options.map((option, place) => (place === at.option ? { ...option, rules } : option)) },
    ),
  };
}

/** An id that no rule of the document has yet. */
export function freeId(document: Document, wanted: string): string {
  const taken = new Set([
    ...document.rules.map((rule) => rule.id),
    ...document.choices.flatMap((choice) => choice.options.flatMap((option) => option.rules.map((rule) => rule.id))),
  ]);
  if (!taken.has(wanted)) return wanted;
  for (let number = 2; ; number++) if (!taken.has(`${wanted}-${number}`)) return `${wanted}-${number}`;
}

export type Token = { text: string } | { field: string };

/** Takes a sentence's pattern apart: "Net {measure}: at most {atMost}". */
export function tokens(pattern: string): Token[] {
  return pattern
    .split(/(\{\w+\})/)
    .filter((part) => part !== '')
    .map((part) => (part.startsWith('{') ? { field: part.slice(1, -1) } : { text: part }));
}

import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useOutletContext, useParams } from 'react-router';
import { api, kept, Problem, type Schemas, take } from '../../../api/client';
import { Asked } from '../../../pieces/Asked';
import { Button } from '../../../pieces/Button';
import { Field } from '../../../pieces/Field';
import { NumberInput } from '../../../pieces/NumberInput';
import { ProblemNote } from '../../../pieces/ProblemNote';
import { number } from '../../../pieces/show';
import { useEdit } from '../../../pieces/useEdit';
import { useSettled } from '../../../pieces/useSettled';
import { EffectList } from '../EffectList';
import type { Page } from '../queries';
import { type Document, freeId, type Rule, type RulesAt, rulesAt, withRules } from './document';
import { useProtocol } from './ProtocolPage';
import { RuleSentence } from './RuleSentence';
import { SchemeEditor } from './SchemeEditor';

/** A protocol of one's own to change: rules as sentences, and beside them what the change would turn, before it is saved. */
export function ProtocolEditorPage() {
  const { id = '' } = useParams();
  const kinds = useQuery({
    queryKey: ['rule-kinds'],
    queryFn: () => take(api.GET('/api/table/rule-kinds')),
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <Asked of={useProtocol(id)}>
      {(sheet) => <Asked of={kinds}>{(list) => <Editor key={sheet.protocol.version} sheet={sheet} kinds={list} />}</Asked>}
    </Asked>
  );
}

function Editor({ sheet, kinds }: { sheet: Schemas['ProtocolSheet']; kinds: Schemas['KindList'] }) {
  const page = useOutletContext<Page>();
  const [document, setDocument] = useState<Document>(() => JSON.parse(sheet.document) as Document);
  const [includesThisWeek, setIncludesThisWeek] = useState(true);
  const id = sheet.protocol.id;
  const text = JSON.stringify(document);
  const isChanged = text !== JSON.stringify(JSON.parse(sheet.document));
  const draft = useDraftEffect(id, text, isChanged);
  const navigate = useNavigate();
  const edit = useEdit();
  const save = () =>
    edit.run({
      ask: () =>
        kept(
          api.PUT('/api/table/protocols/{id}', {
            params: { path: { id } },
            body: { document: text, basedOn: sheet.protocol.version, includesThisWeek },
          }),
        ),
      first: () => navigate(`/table/protocols/${id}`),
      say: (saved) => `${document.name} is saved as version ${saved.version}.`,
    });
  const problem = draft.error instanceof Problem ? draft.error : null;
  const classes = page.classes;
  const lists: { at: RulesAt; heading: string }[] = [
    { at: null, heading: document.choices.length > 0 ? 'Always' : 'Rules' },
    ...document.choices.flatMap((choice, index) =>
      choice.options.map((option, place) => ({ at: { choice: index, option: place }, heading: `${choice.name} ${option.name}` })),
    ),
  ];
  return (
    <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_17rem]">
      <div className="min-w-0 space-y-4">
        <div className="grid gap-3 sm:grid-cols-2">
          <Field label="Name" value={document.name} onChange={(name) => setDocument({ ...document, name })} />
          <Field label="In one sentence" value={document.summary} onChange={(summary) => setDocument({ ...document, summary })} />
        </div>
        {lists.map(({ at, heading }) => (
          <RuleList
            key={heading}
            heading={heading}
            rules={rulesAt(document, at)}
            kinds={kinds}
            classes={classes}
            freeId={(wanted) => freeId(document, wanted)}
            onChange={(rules) => setDocument(withRules(document, at, rules))}
          />
        ))}
        {document.scheme && (
          <section>
            <h3 className="text-base">How points are counted</h3>
            <SchemeEditor
              scheme={document.scheme}
              measures={kinds.measures}
              classes={classes}
              onChange={(scheme) => setDocument({ ...document, scheme })}
            />
          </section>
        )}
        {document.phases && <PhaseFields document={document} onChange={setDocument} />}
      </div>
      <aside className="lg:border-l lg:border-line lg:pl-5">
        <div className="space-y-3 lg:sticky lg:top-16">
          <h3 className="text-base">What this would change</h3>
          {!isChanged && <p className="text-sm text-steel">Nothing is changed yet.</p>}
          {isChanged && problem && <ProblemNote of={problem} isInFile />}
          {isChanged && !problem && draft.data && (
            <EffectList changes={draft.data.changes} nothing="No recipe and no day of this week changes its verdict." />
          )}
          {isChanged && !problem && (draft.data?.points.length ?? 0) > 0 && (
            <details className="text-sm" open>
              <summary className="cursor-pointer font-semibold">
                Points a portion change in {draft.data?.points.length} {draft.data?.points.length === 1 ? 'recipe' : 'recipes'}
              </summary>
              <ul className="figures mt-1 max-h-56 overflow-y-auto">
                {draft.data?.points.map((one) => (
                  <li key={one.recipe} className="flex justify-between gap-2">
                    <span className="truncate">{one.recipe}</span>
                    <span className="whitespace-nowrap">
                      {number(one.from)} <span className="text-steel">to</span> {number(one.to)}
                    </span>
                  </li>
                ))}
              </ul>
            </details>
          )}
          {sheet.protocol.followers.length === 0 && <p className="text-sm text-steel">Nobody follows it yet, so nothing can turn.</p>}
          <label className="flex items-start gap-2 text-sm">
            <input
              type="checkbox"
              checked={includesThisWeek}
              onChange={(event) => setIncludesThisWeek(event.target.checked)}
              className="mt-0.5 size-4 accent-cobalt"
            />
            This week takes it over too; earlier weeks keep what they were planned with
          </label>
          <div className="flex gap-2">
            <Button look="main" disabled={!isChanged || problem !== null || edit.isPending} onClick={() => void save()}>
              Save as version {sheet.protocol.version + 1}
            </Button>
            <Link
              to={`/table/protocols/${id}`}
              className="inline-flex min-h-9 items-center rounded-sm border border-line px-3 text-sm font-semibold hover:border-rim"
            >
              Leave it
            </Link>
          </div>
        </div>
      </aside>
    </div>
  );
}

/** Asks a moment after the last key what the draft would turn. */
function useDraftEffect(id: string, text: string, isChanged: boolean) {
  const asked = useSettled(text);
  return useQuery({
    queryKey: ['table', 'protocol-effect', id, asked],
    queryFn: () => take(api.POST('/api/table/protocols/{id}/effect', { params: { path: { id } }, body: { document: asked } })),
    enabled: isChanged,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

function RuleList({
  heading,
  rules,
  kinds,
  classes,
  freeId,
  onChange,
}: {
  heading: string;
  rules: Rule[];
  kinds: Schemas['KindList'];
  classes: Schemas['TableClass'][];
  freeId: (wanted: string) => string;
  onChange: (rules: Rule[]) => void;
}) {
  return (
    <section aria-label={heading}>
      <h3 className="text-base">{heading}</h3>
      <ul>
        {rules.map((rule, at) => {
          const kind = kinds.kinds.find((one) => one.key === rule.kind);
          return (
            kind && (
              <RuleSentence
                key={rule.id}
                rule={rule}
                kind={kind}
                measures={kinds.measures}
                classes={classes}
                onChange={(changed) => onChange(rules.map((one, index) => (index === at ? changed : one)))}
                onRemove={() => onChange(rules.filter((_, index) => index !== at))}
              />
            )
          );
        })}
      </ul>
      <select
        aria-label={`Another rule: ${heading}`}
        value=""
        onChange={(event) => {
          const kind = kinds.kinds.find((one) => one.key === event.target.value);
          if (!kind) return;
          const example = JSON.parse(kind.example) as Rule;
          const described = Object.fromEntries(
            Object.entries(example).filter(([key]) => key === 'id' || kind.fields.some((field) => field.key === key)),
          );
          onChange([...rules, { ...described, kind: kind.key, id: freeId(example.id) }]);
        }}
        className="min-h-8 rounded-sm border border-line bg-enamel px-1.5 text-sm text-cobalt"
      >
        <option value="">Another rule …</option>
        {kinds.kinds.map((kind) => (
          <option key={kind.key} value={kind.key} title={kind.summary}>
            {kind.name}
          </option>
        ))}
      </select>
    </section>
  );
}

function PhaseFields({ document, onChange }: { document: Document; onChange: (document: Document) => void }) {
  const phases = document.phases;
  if (!phases) return null;
  const change = (part: Partial<typeof phases>) => onChange({ ...document, phases: { ...phases, ...part } });
  return (
    <section className="space-y-2 text-sm">
      <h3 className="text-base">Phases</h3>
      <p className="flex flex-wrap items-center gap-1.5">
        Restriction for
        <NumberInput
          label="fewest days of restriction"
          unit=""
          value={phases.shortestDays}
          onChange={(days) => change({ shortestDays: days ?? 0 })}
        />
        to
        <NumberInput
          label="most days of restriction"
          unit="days"
          value={phases.longestDays}
          onChange={(days) => change({ longestDays: days ?? 0 })}
        />
      </p>
      <ul>
        {phases.challenges.map((challenge, at) => {
          const set = (part: Partial<typeof challenge>) =>
            change({ challenges: phases.challenges.map((one, index) => (index === at ? { ...one, ...part } : one)) });
          return (
            <li key={challenge.id} className="flex flex-wrap items-center gap-1.5 border-t border-line py-1.5">
              Try <b>{challenge.name}</b> for
              <NumberInput
                label={`days of ${challenge.name}`}
                unit="days"
                value={challenge.days}
                onChange={(days) => set({ days: days ?? 0 })}
              />
              , then
              <NumberInput
                label={`days back to base after ${challenge.name}`}
                unit="days back to base"
                value={challenge.washoutDays}
                onChange={(days) => set({ washoutDays: days ?? 0 })}
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}

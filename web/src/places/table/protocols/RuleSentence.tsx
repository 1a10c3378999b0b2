import { Trash2 } from 'lucide-react';
import { Fragment } from 'react';
import type { Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { KeyPicker, type Named } from '../../../pieces/KeyPicker';
import { NumberInput } from '../../../pieces/NumberInput';
import { type FreeFood, type Json, type Rule, tokens } from './document';
import { FreeFoods } from './FreeFoods';

type Kind = Schemas['KindSheet'];
type RuleField = Schemas['KindField'];
type Props = {
  rule: Rule;
  kind: Kind;
  measures: Schemas['MeasureSheet'][];
  classes: Named[];
  onChange: (rule: Rule) => void;
  onRemove: () => void;
};

/** A rule as the sentence it is, with a field where each value stands. It is drawn from the kind's own description. */
export function RuleSentence({ rule, kind, measures, classes, onChange, onRemove }: Props) {
  const parts = tokens(kind.pattern);
  const inSentence = new Set(parts.flatMap((part) => ('field' in part ? [part.field] : [])));
  const fieldOf = (key: string) => kind.fields.find((field) => field.key === key);
  const set = (key: string, value: Json | undefined) => {
    const { [key]: _, ...rest } = rule;
    onChange(value === undefined ? ({ ...rest } as Rule) : ({ ...rule, [key]: value } as Rule));
  };
  const control = (field: RuleField) => (
    <FieldControl
      field={field}
      value={rule[field.key]}
      unit={unitOf(field, rule, measures)}
      classes={classes}
      onChange={(value) => set(field.key, value)}
    />
  );
  return (
    <li className="border-t border-line py-2 text-sm">
      <div className="flex items-start gap-2">
        <p className="flex flex-1 flex-wrap items-center gap-x-1.5 gap-y-1">
          {parts.map((part) => {
            if ('text' in part)
              return (
                <span key={part.text} className={/^[:;,]/.test(part.text) ? '-ml-1' : ''}>
                  {part.text}
                </span>
              );
            const field = fieldOf(part.field);
            return <Fragment key={part.field}>{field && control(field)}</Fragment>;
          })}
        </p>
        <Button look="bare" onClick={onRemove} aria-label={`Take the rule ${rule.id} away`}>
          <Trash2 size={15} />
        </Button>
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-xs text-steel">
        {kind.fields
          .filter((field) => !inSentence.has(field.key))
          .map((field) => (
            <span key={field.key} className="inline-flex items-center gap-1.5" title={field.help}>
              {field.type === 'switch' ? (
                control(field)
              ) : (
                <>
                  {field.label} {control(field)}
                </>
              )}
            </span>
          ))}
      </div>
    </li>
  );
}

function unitOf(field: RuleField, rule: Rule, measures: Schemas['MeasureSheet'][]) {
  if (field.unit !== 'measure') return field.unit ?? '';
  return measures.find((measure) => measure.key === rule.measure)?.unit ?? '';
}

function FieldControl({
  field,
  value,
  unit,
  classes,
  onChange,
}: {
  field: RuleField;
  value: Json | undefined;
  unit: string;
  classes: Named[];
  onChange: (value: Json | undefined) => void;
}) {
  const small = 'min-h-8 rounded-sm border border-slate bg-enamel px-1.5 text-rim';
  switch (field.type) {
    case 'number':
      return (
        <NumberInput
          label={field.label}
          unit={unit}
          value={typeof value === 'number' ? value : null}
          onChange={(next) => onChange(next ?? undefined)}
        />
      );
    case 'share':
      return (
        <NumberInput
          label={field.label}
          unit="%"
          value={typeof value === 'number' ? Math.round(value * 1000) / 10 : null}
          onChange={(next) => onChange(next === null ? undefined : next / 100)}
        />
      );
    case 'switch':
      return (
        <label className="inline-flex items-center gap-1.5 text-rim">
          <input
            type="checkbox"
            aria-label={field.label}
            checked={value === true}
            onChange={(event) => onChange(event.target.checked)}
            className="size-4 accent-cobalt"
          />
          <span className="text-xs text-steel">{field.label}</span>
        </label>
      );
    case 'text':
      return (
        <input
          aria-label={field.label}
          value={String(value ?? '')}
          onChange={(event) => onChange(event.target.value)}
          className={`${small} w-40`}
        />
      );
    case 'choice':
      return (
        <select aria-label={field.label} value={String(value ?? '')} onChange={(event) => onChange(event.target.value)} className={small}>
          {(field.options ?? []).map((option) => (
            <option key={option.key} value={option.key}>
              {option.name}
            </option>
          ))}
        </select>
      );
    case 'choices': {
      const picked = Array.isArray(value) ? value.map(String) : [];
      return (
        <span className="inline-flex flex-wrap gap-x-3">
          {(field.options ?? []).map((option) => (
            <label key={option.key} className="inline-flex items-center gap-1">
              <input
                type="checkbox"
                checked={picked.includes(option.key)}
                onChange={(event) => onChange(event.target.checked ? [...picked, option.key] : picked.filter((one) => one !== option.key))}
                className="size-4 accent-cobalt"
              />
              {option.name}
            </label>
          ))}
        </span>
      );
    }
    case 'classes':
    case 'classesOrFoods': {
      const keys = Array.isArray(value) ? value.map(String) : [];
      return (
        <KeyPicker
          label={field.label}
          withFoods={field.type === 'classesOrFoods'}
          picked={keys.map((key) => ({ key, name: classes.find((one) => one.key === key)?.name ?? key }))}
          classes={classes}
          onChange={(picked) => onChange(picked.map((one) => one.key))}
        />
      );
    }
    case 'freeFoods':
      return <FreeFoods free={Array.isArray(value) ? (value as FreeFood[]) : []} onChange={(free) => onChange(free as Json)} />;
  }
}

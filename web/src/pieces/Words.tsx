import { type Label, Labelled } from './Field';

/** A labelled field of several lines. */
export function Words({
  value,
  onChange,
  rows = 3,
  ...label
}: Label & {
  value: string;
  onChange: (value: string) => void;
  rows?: number;
}) {
  return (
    <Labelled {...label}>
      {(tied) => <textarea {...tied} value={value} rows={rows} onChange={(event) => onChange(event.target.value)} />}
    </Labelled>
  );
}

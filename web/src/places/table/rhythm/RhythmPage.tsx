import { useState } from 'react';
import { Asked } from '../../../pieces/Asked';
import { Button } from '../../../pieces/Button';
import { Choice } from '../../../pieces/Field';
import { ProblemNote } from '../../../pieces/ProblemNote';
import { Meals } from './Meals';
import { PrepDays } from './PrepDays';
import { type Day, dayChoices, type Rhythm, useRhythm, useRhythmEdit } from './queries';

/** How the household's weeks go: where they begin, the meals of a day, and when it cooks. */
export function RhythmPage() {
  const rhythm = useRhythm();
  return <Asked of={rhythm}>{(sheet) => <RhythmForm key={JSON.stringify(sheet)} kept={sheet} roles={sheet.roles} />}</Asked>;
}

function RhythmForm({ kept, roles }: { kept: Rhythm; roles: Rhythm['meals'][number]['role'][] }) {
  const [rhythm, setRhythm] = useState(kept);
  const edit = useRhythmEdit();
  const set = (part: Partial<Rhythm>) => setRhythm({ ...rhythm, ...part });
  const isChanged = JSON.stringify(rhythm) !== JSON.stringify(kept);
  return (
    <div className="space-y-7">
      <Choice
        label="A week begins on"
        value={rhythm.firstDay}
        onChange={(day) => set({ firstDay: day as Day })}
        options={dayChoices}
        hint="What is planned stays on its dates."
        className="w-56"
      />
      <Meals meals={rhythm.meals} roles={roles} onChange={(meals) => set({ meals })} />
      <PrepDays days={rhythm.prepDays} onChange={(prepDays) => set({ prepDays })} />
      <ProblemNote of={edit.problem} isInFile />
      <Button look="main" disabled={!isChanged || edit.isPending} onClick={() => void edit.keep(rhythm, 'The week goes so from now on.')}>
        Keep it so
      </Button>
    </div>
  );
}

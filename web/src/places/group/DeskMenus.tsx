import { useRef, useState } from 'react';
import { Button } from '../../pieces/Button';
import { Choice } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { addDays, dayMonth, weekStart } from '../../pieces/show';
import { MenuDialog } from './MenuDialog';
import { MenuGrid } from './MenuGrid';
import { MenuSolveDialog } from './MenuSolveDialog';
import { People } from './People';
import { PublishPanel } from './PublishPanel';
import { type Desk, type Menu, useMenuEdits } from './queries';

/** Where a group's menus are drafted and published. */
export function DeskMenus({ desk, today }: { desk: Desk; today: string }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [asking, setAsking] = useState<'new' | 'change' | 'again' | 'solve' | null>(null);
  const menu = desk.menus.find((one) => one.id === chosen) ?? desk.menus[0];
  return (
    <>
      <div className="flex flex-wrap items-end gap-3 sm:justify-end">
        {menu && (
          <Choice
            label="Menu"
            value={menu.id}
            onChange={setChosen}
            options={desk.menus.map((one) => [one.id, `${one.name}, from ${dayMonth(one.startsOn)}`])}
            className="w-72 max-w-full"
          />
        )}
        {menu && <Button onClick={() => setAsking('change')}>Change …</Button>}
        {menu && <Button onClick={() => setAsking('solve')}>Fill or mend …</Button>}
        {menu && <Button onClick={() => setAsking('again')}>Once more …</Button>}
        <FromFile today={today} onDone={(done) => setChosen(done.id)} />
        <Button look={menu ? 'quiet' : 'main'} onClick={() => setAsking('new')}>
          Begin a menu
        </Button>
      </div>
      {menu?.deskNote && (
        <p className="mb-3 max-w-prose border-l-2 border-steel pl-2 text-sm whitespace-pre-line">
          <b>For the desk alone:</b> {menu.deskNote}
        </p>
      )}
      {menu ? (
        <MenuGrid menu={menu} follows={desk.follows} />
      ) : (
        <p className="max-w-prose text-steel">
          Nothing is planned here yet. Begin a menu, put recipes of this desk on its days, and publish it.
        </p>
      )}
      <div className="grid gap-8 md:grid-cols-2">
        {menu && <PublishPanel key={menu.id} group={desk.id} menu={menu} isHelper={desk.isHelper} />}
        <People desk={desk} />
      </div>
      {asking === 'solve' && menu && <MenuSolveDialog menu={menu} follows={desk.follows} onDone={() => setAsking(null)} />}
      {asking && asking !== 'solve' && (
        <MenuDialog
          menu={asking === 'change' ? (menu ?? null) : null}
          again={asking === 'again' ? menu : undefined}
          today={today}
          onDone={(done) => {
            setChosen(done?.id ?? chosen);
            setAsking(null);
          }}
        />
      )}
    </>
  );
}

/** A menu that another desk handed out as our own JSON, as a draft of the week after this one. */
function FromFile({ today, onDone }: { today: string; onDone: (menu: Menu) => void }) {
  const edits = useMenuEdits();
  const chooser = useRef<HTMLInputElement>(null);
  const read = async (file: File | undefined) => {
    if (!file) return;
    await edits.readIn({ file: await file.text(), startsOn: addDays(weekStart(today), 7) }, onDone);
    if (chooser.current) chooser.current.value = '';
  };
  return (
    <>
      <input
        ref={chooser}
        type="file"
        accept=".json,application/json"
        aria-label="A menu’s file"
        className="hidden"
        onChange={(event) => void read(event.target.files?.[0])}
      />
      <Button disabled={edits.isPending} onClick={() => chooser.current?.click()}>
        From a file …
      </Button>
      <ProblemNote of={edits.problem} className="basis-full text-right" />
    </>
  );
}

import { api, kept } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { OpenByName } from '../../pieces/OpenByName';
import { DeskView } from './DeskView';
import { MemberView } from './MemberView';
import { usePart } from './Parts';
import { useGroups } from './queries';

/** The moderator's desk, or what a member reads. */
export function GroupPage({ today }: { today: string }) {
  const groups = useGroups();
  const part = usePart();
  return (
    <Asked of={groups}>
      {({ desk, groups: mine }) => (
        <div className="mx-auto max-w-6xl space-y-8 p-4 sm:p-6">
          {desk ? <DeskView desk={desk} today={today} /> : <MemberView groups={mine} today={today} />}
          {!desk && part === 'menus' && <FoundGroup />}
        </div>
      )}
    </Asked>
  );
}

function FoundGroup() {
  return (
    <section className="border-t border-line pt-4">
      <h2 className="text-base">A group of your own</h2>
      <p className="mb-2 max-w-prose text-sm text-steel">
        You plan a menu for others at its desk, which has recipes and foods of its own. They join by a link and read what you publish. Your
        name above changes between the desk and your kitchen.
      </p>
      <OpenByName label="The group’s name" word="Found it" open={(body) => kept(api.POST('/api/groups', { body }))} />
    </section>
  );
}

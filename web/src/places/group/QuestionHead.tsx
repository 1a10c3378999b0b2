import { Pin } from 'lucide-react';
import { addDays, dayMonth, weekday } from '../../pieces/show';
import type { Question } from './brought';

type AboutMenu = { id: string; name: string; startsOn: string };

/** What a question is about: a dish, a day, a menu. */
export function aboutOf({ menu, day, dish }: Pick<Question, 'menu' | 'day' | 'dish'>, menus: readonly AboutMenu[]) {
  const of = menus.find((one) => one.id === menu);
  return [dish, of && day !== null && weekday(addDays(of.startsOn, day)), of?.name].filter(Boolean).join(', ');
}

/** A question with who asked it, about what, and how many ask the same. */
export function QuestionHead({ of, group, menus }: { of: Question; group: string; menus: readonly AboutMenu[] }) {
  const about = aboutOf(of, menus);
  const picture = `/api/groups/${group}/questions/${of.id}/picture`;
  return (
    <div className="flex gap-3">
      <div className="min-w-0 flex-1">
        <p className="max-w-prose font-semibold whitespace-pre-line wrap-anywhere">
          {of.isPinned && <Pin size={14} aria-label="Pinned" className="mr-1 inline text-steel" />}
          {of.words}
        </p>
        <p className="text-xs text-steel">
          {[
            about,
            of.by || (of.isOwn ? 'you' : 'a member'),
            dayMonth(of.askedAt.slice(0, 10)),
            of.too > 0 && `${of.too + 1} people ask this`,
            of.isHidden && 'hidden by the desk',
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
      </div>
      {of.hasPicture && (
        <a href={picture} target="_blank" rel="noreferrer" className="shrink-0">
          <img src={`${picture}?small=true`} alt="What it is about" className="size-16 rounded-sm object-cover" />
        </a>
      )}
    </div>
  );
}

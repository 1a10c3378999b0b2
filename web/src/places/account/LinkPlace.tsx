import type { Schemas } from '../../api/client';
import { JoinGroupPage } from '../group/JoinGroupPage';
import { JoinPage } from './JoinPage';
import { groupLinkOf, linkOf, noMailOf } from './link';
import { NoMailPage } from './NoMailPage';

/** What somebody was sent a link to: a kitchen, a group, or the end of mails. */
export function LinkPlace({ person }: { person: Schemas['PersonState'] | null }) {
  const link = linkOf(location.pathname);
  const groupLink = groupLinkOf(location.pathname);
  if (link) return <JoinPage link={link} person={person} />;
  if (groupLink) return <JoinGroupPage link={groupLink} person={person} />;
  return <NoMailPage token={noMailOf(location.pathname) ?? ''} />;
}

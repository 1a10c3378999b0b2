/** A group's link, or null. */
export function groupLinkOf(path: string): { group: string; secret: string } | null {
  const [, join, group, secret] = path.split('/');
  return join === 'join-group' && group && secret ? { group, secret } : null;
}

export type Link = { household: string; secret: string };

/** The link that a page's address is, or null. */
export function linkOf(path: string): Link | null {
  const [, join, household, secret] = path.split('/');
  return join === 'join' && household && secret ? { household, secret } : null;
}

/** Whose mail the link at a mail's foot ends, or null. */
export function noMailOf(path: string): string | null {
  const [, end, token] = path.split('/');
  return end === 'no-mail' && token ? token : null;
}

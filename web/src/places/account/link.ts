export type Link = { household: string; secret: string };

/** The link that a page's address is, or null. */
export function linkOf(path: string): Link | null {
  const [, join, household, secret] = path.split('/');
  return join === 'join' && household && secret ? { household, secret } : null;
}

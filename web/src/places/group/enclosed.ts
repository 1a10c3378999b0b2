import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';

export type EnclosedKind = Schemas['EnclosedKind'];

/** What goes with the menus of a group, beside what the own kitchen has. */
export const useEnclosed = (group: string) =>
  useQuery({
    queryKey: ['group', 'enclosed', group],
    queryFn: () => take(api.GET('/api/groups/{group}/enclosed', { params: { path: { group } } })),
  });

/** What would go with a menu if it were published now; asked anew whenever its dishes are others. */
export const useMenuEnclosures = ({ id, dishes }: Schemas['MenuSheet']) =>
  useQuery({
    queryKey: ['group', 'menu-enclosed', id, dishes],
    placeholderData: keepPreviousData,
    queryFn: () => take(api.GET('/api/groups/menus/{id}/enclosed', { params: { path: { id } } })),
  });

export const enclosedKinds: [EnclosedKind, string, string][] = [
  ['protocol', 'protocol', 'protocols'],
  ['packet', 'packet', 'packets'],
  ['word', 'word', 'words'],
  ['price', 'price', 'prices'],
];

/** "2 packets", "1 price". */
export const manyOf = (kind: EnclosedKind, many: number) => {
  const [, one, more] = enclosedKinds.find(([key]) => key === kind) ?? [kind, kind, kind];
  return `${many} ${many === 1 ? one : more}`;
};

/** "1 protocol, 3 packets". */
export const countedKinds = (things: readonly { kind: EnclosedKind }[]) =>
  enclosedKinds
    .map(([kind]) => [kind, things.filter((one) => one.kind === kind).length] as const)
    .filter(([, many]) => many > 0)
    .map(([kind, many]) => manyOf(kind, many))
    .join(', ');

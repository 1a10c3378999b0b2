import { keepPreviousData, type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Kept, kept, type Schemas, take } from '../../api/client';
import { type Edit, useEdit } from '../../pieces/useEdit';

export type Desk = Schemas['DeskSheet'];
export type Menu = Schemas['MenuSheet'];
export type Check = Schemas['MenuCheckSheet'];
export type DraftDish = Schemas['DraftDish'];
export type Followed = Schemas['FollowedSheet'];
export type MenuRequest = Schemas['MenuRequest'];
export type MemberMenu = Schemas['MemberMenu'];

const groups = ['group', 'page'] as const;

export const useGroups = () => useQuery({ queryKey: groups, queryFn: () => take(api.GET('/api/groups')) });

export const useMemberMenus = () => useQuery({ queryKey: ['group', 'menus'], queryFn: () => take(api.GET('/api/groups/menus')) });

/** What a menu would be in the own week. */
export const useIntoWeek = ({ group, menu, number }: MemberMenu, body: Schemas['IntoWeekRequest']) =>
  useQuery({
    queryKey: ['group', 'into-week', menu, number, body],
    placeholderData: keepPreviousData,
    queryFn: () => take(api.POST('/api/groups/{group}/menus/{menu}/into-week/look', { params: { path: { group, menu } }, body })),
  });

/** Whom the menu suits; asked anew whenever its dishes are others. */
export const useMenuCheck = (menu: Menu) =>
  useQuery({
    queryKey: ['group', 'check', menu.id, menu.startsOn, menu.tiers, menu.dishes],
    placeholderData: keepPreviousData,
    queryFn: () => take(api.GET('/api/groups/menus/{id}/check', { params: { path: { id: menu.id } } })),
  });

/** What a search would put on the open meals, or in the place of so many dishes that stand there. */
export const useMenuOffer = (menu: Menu, mostChanges: number | null) =>
  useQuery({
    queryKey: ['group', 'offer', menu.id, menu.dishes, mostChanges],
    // Asked anew it may be another one while somebody looks at it.
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    queryFn: () => take(api.POST('/api/groups/menus/{id}/solve', { params: { path: { id: menu.id } }, body: { mostChanges } })),
  });

/** Draws a menu as it was answered in the place of the one before. */
function put(queries: QueryClient, menu: Menu) {
  queries.setQueryData<Schemas['GroupsPage']>(groups, (page) => {
    if (!page?.desk) return page;
    const isNew = page.desk.menus.every((one) => one.id !== menu.id);
    const menus = isNew ? [menu, ...page.desk.menus] : page.desk.menus.map((one) => (one.id === menu.id ? menu : one));
    return { ...page, desk: { ...page.desk, menus } };
  });
}

/** Edits of the desk's menus, each answered with the menu as it is then. */
export function useMenuEdits() {
  const queries = useQueryClient();
  const edit = useEdit();
  const run = (ask: () => Promise<Kept<Menu>>, more: Pick<Edit<Menu>, 'say' | 'isTold' | 'last'> = {}) =>
    edit.run({ ask, settle: (menu) => put(queries, menu), ...more });
  return {
    isPending: edit.isPending,
    problem: edit.problem,
    begin: (body: MenuRequest, last: (menu: Menu) => void) =>
      run(() => kept(api.POST('/api/groups/menus', { body })), { isTold: true, last }),
    again: (id: string, body: Schemas['MenuAgainRequest'], last: (menu: Menu) => void) =>
      run(() => kept(api.POST('/api/groups/menus/{id}/again', { params: { path: { id } }, body })), { isTold: true, last }),
    readIn: (body: Schemas['MenuFileRequest'], last: (menu: Menu) => void) =>
      run(() => kept(api.POST('/api/groups/menus/read', { body })), { say: 'It is a draft here now.', isTold: true, last }),
    say: (id: string, body: MenuRequest) =>
      run(() => kept(api.PUT('/api/groups/menus/{id}', { params: { path: { id } }, body })), { say: 'The menu is kept.', isTold: true }),
    put: (id: string, body: Schemas['DishRequest'], name: string) =>
      run(() => kept(api.POST('/api/groups/menus/{id}/dishes', { params: { path: { id } }, body })), { say: `${name} is on the menu.` }),
    serve: (id: string, dish: string, body: Schemas['DishServingRequest'], name: string) =>
      run(() => kept(api.PUT('/api/groups/menus/{id}/dishes/{dish}', { params: { path: { id, dish } }, body })), {
        say: `${name} is changed.`,
        isTold: true,
      }),
    takeSolved: (id: string, changes: Schemas['MenuChangeSheet'][]) =>
      run(() => kept(api.POST('/api/groups/menus/{id}/solved', { params: { path: { id } }, body: { changes } })), {
        say: changes.length === 1 ? 'The dish is on the menu.' : `${changes.length} dishes are on the menu.`,
        isTold: true,
      }),
    takeOff: (id: string, dish: string, name: string) =>
      run(() => kept(api.DELETE('/api/groups/menus/{id}/dishes/{dish}', { params: { path: { id, dish } } })), {
        say: `${name} is off the menu.`,
      }),
    publish: (id: string, body: Schemas['PublishRequest']) =>
      run(() => kept(api.POST('/api/groups/menus/{id}/publish', { params: { path: { id } }, body })), {
        say: 'Published: every member reads it now.',
        isTold: true,
      }),
  };
}

import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import type { Schemas } from './api/client';
import { later } from './pieces/later';
import { weekStart } from './pieces/show';
import { Shell } from './Shell';

// Each place comes when it is opened, or when there is nothing else to do.
const ComparePage = later(() => import('./places/larder/ComparePage').then((page) => page.ComparePage));
const FilePage = later(() => import('./places/larder/FilePage').then((page) => page.FilePage));
const FoodPage = later(() => import('./places/larder/FoodPage').then((page) => page.FoodPage));
const FoodsPage = later(() => import('./places/larder/FoodsPage').then((page) => page.FoodsPage));
const LarderLayout = later(() => import('./places/larder/LarderLayout').then((page) => page.LarderLayout));
const PacketPage = later(() => import('./places/larder/PacketPage').then((page) => page.PacketPage));
const PricesPage = later(() => import('./places/larder/PricesPage').then((page) => page.PricesPage));
const StockPage = later(() => import('./places/larder/StockPage').then((page) => page.StockPage));
const WordsPage = later(() => import('./places/larder/WordsPage').then((page) => page.WordsPage));
const GroupPage = later(() => import('./places/group/GroupPage').then((page) => page.GroupPage));
const LogPage = later(() => import('./places/log/LogPage').then((page) => page.LogPage));
const RecipeEditorPage = later(() => import('./places/recipes/RecipeEditorPage').then((page) => page.RecipeEditorPage));
const RecipeSheetPage = later(() => import('./places/recipes/RecipeSheetPage').then((page) => page.RecipeSheetPage));
const RecipeImportPage = later(() => import('./places/recipes/ImportPage').then((page) => page.ImportPage));
const RecipesPage = later(() => import('./places/recipes/RecipesPage').then((page) => page.RecipesPage));
const SessionPage = later(() => import('./places/session/SessionPage').then((page) => page.SessionPage));
const ShelfPage = later(() => import('./places/shelf/ShelfPage').then((page) => page.ShelfPage));
const StartPage = later(() => import('./places/start/StartPage').then((page) => page.StartPage));
const ShopPage = later(() => import('./places/shop/ShopPage').then((page) => page.ShopPage));
const EatersPage = later(() => import('./places/table/eaters/EatersPage').then((page) => page.EatersPage));
const KitchenPage = later(() => import('./places/table/kitchen/KitchenPage').then((page) => page.KitchenPage));
const MembersPage = later(() => import('./places/table/members/MembersPage').then((page) => page.MembersPage));
const ProtocolEditorPage = later(() => import('./places/table/protocols/ProtocolEditorPage').then((page) => page.ProtocolEditorPage));
const ProtocolPage = later(() => import('./places/table/protocols/ProtocolPage').then((page) => page.ProtocolPage));
const ProtocolsPage = later(() => import('./places/table/protocols/ProtocolsPage').then((page) => page.ProtocolsPage));
const RhythmPage = later(() => import('./places/table/rhythm/RhythmPage').then((page) => page.RhythmPage));
const TableLayout = later(() => import('./places/table/TableLayout').then((page) => page.TableLayout));
const WeekPage = later(() => import('./places/week/WeekPage').then((page) => page.WeekPage));

/** What somebody who is signed in can open. */
export function Places({ person }: { person: Schemas['PersonState'] }) {
  return (
    <BrowserRouter>
      <Routes>
        <Route element={<Shell person={person} />}>
          <Route path="/week/:date" element={<WeekPage />} />
          <Route path="/shop/:date" element={<ShopPage />} />
          <Route path="/session/:date" element={<SessionPage />} />
          <Route path="/shelf/:date" element={<ShelfPage />} />
          <Route path="/log/:date" element={<LogPage />} />
          <Route path="/recipes" element={<RecipesPage />} />
          <Route path="/recipes/new" element={<RecipeEditorPage />} />
          <Route path="/recipes/import" element={<RecipeImportPage />} />
          <Route path="/recipes/:id" element={<RecipeSheetPage />} />
          <Route path="/recipes/:id/edit" element={<RecipeEditorPage />} />
          <Route path="/larder" element={<LarderLayout />}>
            <Route index element={<FoodsPage />} />
            <Route path="stock" element={<StockPage />} />
            <Route path="prices" element={<PricesPage />} />
            <Route path="words" element={<WordsPage />} />
            <Route path="compare" element={<ComparePage />} />
            <Route path="file" element={<FilePage />} />
          </Route>
          <Route path="/larder/foods/:key" element={<FoodPage />} />
          <Route path="/larder/packet" element={<PacketPage />} />
          <Route path="/larder/packets/:key/edit" element={<PacketPage />} />
          <Route path="/group" element={<GroupPage today={person.today} />} />
          <Route path="/table" element={<TableLayout />}>
            <Route index element={<EatersPage />} />
            <Route path="protocols" element={<ProtocolsPage />} />
            <Route path="protocols/:id" element={<ProtocolPage />} />
            <Route path="protocols/:id/edit" element={<ProtocolEditorPage />} />
            <Route path="kitchen" element={<KitchenPage />} />
            <Route path="rhythm" element={<RhythmPage />} />
            <Route path="members" element={<MembersPage />} />
          </Route>
          <Route path="/start" element={<StartPage />} />
          {['shop', 'session'].map((place) => (
            <Route key={place} path={`/${place}`} element={<Navigate to={`/${place}/${person.atHand}`} replace />} />
          ))}
          {['shelf', 'log'].map((place) => (
            <Route key={place} path={`/${place}`} element={<Navigate to={`/${place}/${weekStart(person.today)}`} replace />} />
          ))}
          <Route path="*" element={<Navigate to={person.isDesk ? '/group' : `/week/${person.atHand}`} replace />} />
        </Route>
      </Routes>
    </BrowserRouter>
  );
}

import { lazy } from 'react';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import type { Schemas } from './api/client';
import { weekStart } from './pieces/show';
import { Shell } from './Shell';

// Each place comes when it is opened.
const ComparePage = lazy(() => import('./places/larder/ComparePage').then((page) => ({ default: page.ComparePage })));
const FilePage = lazy(() => import('./places/larder/FilePage').then((page) => ({ default: page.FilePage })));
const FoodPage = lazy(() => import('./places/larder/FoodPage').then((page) => ({ default: page.FoodPage })));
const FoodsPage = lazy(() => import('./places/larder/FoodsPage').then((page) => ({ default: page.FoodsPage })));
const LarderLayout = lazy(() => import('./places/larder/LarderLayout').then((page) => ({ default: page.LarderLayout })));
const PacketPage = lazy(() => import('./places/larder/PacketPage').then((page) => ({ default: page.PacketPage })));
const StockPage = lazy(() => import('./places/larder/StockPage').then((page) => ({ default: page.StockPage })));
const WordsPage = lazy(() => import('./places/larder/WordsPage').then((page) => ({ default: page.WordsPage })));
const RecipeEditorPage = lazy(() => import('./places/recipes/RecipeEditorPage').then((page) => ({ default: page.RecipeEditorPage })));
const RecipeSheetPage = lazy(() => import('./places/recipes/RecipeSheetPage').then((page) => ({ default: page.RecipeSheetPage })));
const RecipesPage = lazy(() => import('./places/recipes/RecipesPage').then((page) => ({ default: page.RecipesPage })));
const SessionPage = lazy(() => import('./places/session/SessionPage').then((page) => ({ default: page.SessionPage })));
const ShelfPage = lazy(() => import('./places/shelf/ShelfPage').then((page) => ({ default: page.ShelfPage })));
const StartPage = lazy(() => import('./places/start/StartPage').then((page) => ({ default: page.StartPage })));
const ShopPage = lazy(() => import('./places/shop/ShopPage').then((page) => ({ default: page.ShopPage })));
const EatersPage = lazy(() => import('./places/table/eaters/EatersPage').then((page) => ({ default: page.EatersPage })));
const KitchenPage = lazy(() => import('./places/table/kitchen/KitchenPage').then((page) => ({ default: page.KitchenPage })));
const MembersPage = lazy(() => import('./places/table/members/MembersPage').then((page) => ({ default: page.MembersPage })));
const ProtocolEditorPage = lazy(() =>
  import('./places/table/protocols/ProtocolEditorPage').then((page) => ({ default: page.ProtocolEditorPage })),
);
const ProtocolPage = lazy(() => import('./places/table/protocols/ProtocolPage').then((page) => ({ default: page.ProtocolPage })));
const ProtocolsPage = lazy(() => import('./places/table/protocols/ProtocolsPage').then((page) => ({ default: page.ProtocolsPage })));
const RhythmPage = lazy(() => import('./places/table/rhythm/RhythmPage').then((page) => ({ default: page.RhythmPage })));
const TableLayout = lazy(() => import('./places/table/TableLayout').then((page) => ({ default: page.TableLayout })));
const WeekPage = lazy(() => import('./places/week/WeekPage').then((page) => ({ default: page.WeekPage })));

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
          <Route path="/recipes" element={<RecipesPage />} />
          <Route path="/recipes/new" element={<RecipeEditorPage />} />
          <Route path="/recipes/:id" element={<RecipeSheetPage />} />
          <Route path="/recipes/:id/edit" element={<RecipeEditorPage />} />
          <Route path="/larder" element={<LarderLayout />}>
            <Route index element={<FoodsPage />} />
            <Route path="stock" element={<StockPage />} />
            <Route path="words" element={<WordsPage />} />
            <Route path="compare" element={<ComparePage />} />
            <Route path="file" element={<FilePage />} />
          </Route>
          <Route path="/larder/foods/:key" element={<FoodPage />} />
          <Route path="/larder/packet" element={<PacketPage />} />
          <Route path="/larder/packets/:key/edit" element={<PacketPage />} />
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
          {['shop', 'session', 'shelf'].map((place) => (
            <Route key={place} path={`/${place}`} element={<Navigate to={`/${place}/${weekStart(person.today)}`} replace />} />
          ))}
          <Route path="*" element={<Navigate to={`/week/${weekStart(person.today)}`} replace />} />
        </Route>
      </Routes>
    </BrowserRouter>
  );
}

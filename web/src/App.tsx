import { Navigate, Route, Routes } from 'react-router';
import { Asked } from './pieces/Asked';
import { useAccount } from './pieces/account';
import { weekStart } from './pieces/show';
import { WelcomePage } from './places/account/WelcomePage';
import { ComparePage } from './places/larder/ComparePage';
import { FilePage } from './places/larder/FilePage';
import { FoodPage } from './places/larder/FoodPage';
import { FoodsPage } from './places/larder/FoodsPage';
import { LarderLayout } from './places/larder/LarderLayout';
import { PacketPage } from './places/larder/PacketPage';
import { StockPage } from './places/larder/StockPage';
import { WordsPage } from './places/larder/WordsPage';
import { RecipeEditorPage } from './places/recipes/RecipeEditorPage';
import { RecipeSheetPage } from './places/recipes/RecipeSheetPage';
import { RecipesPage } from './places/recipes/RecipesPage';
import { SessionPage } from './places/session/SessionPage';
import { ShelfPage } from './places/shelf/ShelfPage';
import { ShopPage } from './places/shop/ShopPage';
import { EatersPage } from './places/table/eaters/EatersPage';
import { KitchenPage } from './places/table/kitchen/KitchenPage';
import { ProtocolEditorPage } from './places/table/protocols/ProtocolEditorPage';
import { ProtocolPage } from './places/table/protocols/ProtocolPage';
import { ProtocolsPage } from './places/table/protocols/ProtocolsPage';
import { TableLayout } from './places/table/TableLayout';
import { WeekPage } from './places/week/WeekPage';
import { Shell } from './Shell';

export function App() {
  const account = useAccount();
  return (
    <Asked of={account}>
      {({ person, demoPeople }) =>
        person ? (
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
              </Route>
              <Route path="*" element={<Navigate to={`/week/${weekStart(person.today)}`} replace />} />
            </Route>
          </Routes>
        ) : (
          <WelcomePage demoPeople={demoPeople} />
        )
      }
    </Asked>
  );
}

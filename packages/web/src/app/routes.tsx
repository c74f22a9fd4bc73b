import { lazy, Suspense, type ComponentType } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import {
  AttemptPage,
  BenchPage,
  CodePage,
  EvidencePage,
  LogPage,
  NewAttempt,
  PhonePage,
  PourPage,
  SetUpSheet,
  SourcesPage,
  TankPage,
} from '../pages';
import { ExposurePage, HoursPage, ProbesPage, RoomPage, WatersPage } from '../room';
import { RoundsPage, SitterSheet } from '../rounds';
import { SpeciesPage } from '../species';
import { TransferSheet } from '../transfers';
import { Empty } from '../ui';

/** A page that is fetched when it is opened. */
const page = <Props extends object>(load: () => Promise<ComponentType<Props>>) => lazy(async () => ({ default: await load() }));

const stock = async () => (await import('../stock')).stockPages;
const StockPage = page(async () => (await stock()).stock());
const LotPage = page(async () => (await stock()).lot());
const SexingPage = page(async () => (await stock()).sexing());
const LinesPage = page(async () => (await stock()).lines());
const SpawnsPage = page(async () => (await import('../spawning')).SpawnsPage);
const RecipesPage = page(async () => (await import('../spawning')).RecipesPage);
const RecipePage = page(async () => (await import('../spawning')).RecipePage);
const NewRecipePage = page(async () => (await import('../spawning')).NewRecipePage);
const broods = async () => (await import('../broods')).broodsPages;
const BroodsPage = page(async () => (await broods()).broods());
const BroodPage = page(async () => (await broods()).brood());
const CarriersPage = page(async () => (await broods()).carriers());
const RecordPage = page(async () => (await broods()).record());
const larder = async () => (await import('../larder')).larderPages;
const TidePage = page(async () => (await larder()).tide());
const CulturesPage = page(async () => (await larder()).cultures());
const CulturePage = page(async () => (await larder()).culture());
const LadderPage = page(async () => (await larder()).ladder());
const ShelfPage = page(async () => (await larder()).shelf());
const PestsPage = page(async () => (await larder()).pests());

const growout = async () => (await import('../growout')).growoutPages;
const PlacesPage = page(async () => (await growout()).places());
const WeeksPage = page(async () => (await growout()).weeks());
const GrowthPage = page(async () => (await growout()).growth());
const SortPage = page(async () => (await growout()).sort());
const GrowoutRecordPage = page(async () => (await growout()).record());

const sales = async () => (await import('../sales')).salesPages;
const ReadyPage = page(async () => (await sales()).ready());
const ListPage = page(async () => (await sales()).list());
const OrdersPage = page(async () => (await sales()).orders());
const OrderPage = page(async () => (await sales()).order());
const SoldPage = page(async () => (await sales()).sold());
const TrailPage = page(async () => (await sales()).trail());
const BuyersPage = page(async () => (await sales()).buyers());
const MoneyPage = page(async () => (await sales()).money());
/** Who takes the young: told where they are planned, which is an earlier area. */
const OverStockNote = page(async () => (await sales()).overStock());
const OverStock = (props: { speciesKey: string }) => (
  <Suspense>
    <OverStockNote {...props} />
  </Suspense>
);

/** Every page by its address; all but the round are fetched when they are opened. */
export function Pages() {
  return (
    <Routes>
      <Route path="/" element={<RoundsPage />} />
      <Route path="/sheet" element={<SitterSheet />} />
      <Route path="/room" element={<RoomPage Send={TransferSheet} />} />
      <Route path="/room/waters" element={<WatersPage />} />
      <Route path="/room/probes" element={<ProbesPage />} />
      <Route path="/room/exposure" element={<ExposurePage />} />
      <Route path="/tanks/:tankId" element={<TankPage />} />
      <Route path="/stock" element={<StockPage />} />
      <Route path="/stock/:lotId" element={<LotPage Send={TransferSheet} />} />
      <Route path="/stock/:lotId/sexing" element={<SexingPage />} />
      <Route path="/stock/lines/:speciesKey/:view?" element={<LinesPage />} />
      <Route path="/species/:key?" element={<SpeciesPage />} />
      <Route path="/spawns" element={<SpawnsPage />} />
      <Route path="/spawns/new" element={<NewAttempt OverStock={OverStock} />} />
      <Route path="/spawns/recipes" element={<RecipesPage />} />
      <Route path="/spawns/recipes/new" element={<NewRecipePage />} />
      <Route path="/spawns/recipes/:ref" element={<RecipePage OverStock={OverStock} />} />
      <Route path="/spawns/evidence/:speciesKey?" element={<EvidencePage />} />
      <Route path="/spawns/:attemptId" element={<AttemptPage OverStock={OverStock} />} />
      <Route path="/spawns/:attemptId/set-up" element={<SetUpSheet />} />
      <Route path="/broods" element={<BroodsPage />} />
      <Route path="/broods/carriers" element={<CarriersPage />} />
      <Route path="/broods/record/:speciesKey" element={<RecordPage />} />
      <Route path="/broods/:broodId" element={<BroodPage Send={TransferSheet} />} />
      <Route path="/larder" element={<TidePage />} />
      <Route path="/larder/cultures" element={<CulturesPage />} />
      <Route path="/larder/cultures/:cultureId" element={<CulturePage />} />
      <Route path="/larder/pour" element={<PourPage />} />
      <Route path="/larder/ladder" element={<LadderPage />} />
      <Route path="/larder/shelf" element={<ShelfPage />} />
      <Route path="/larder/pests" element={<PestsPage />} />
      <Route path="/growout" element={<PlacesPage />} />
      <Route path="/growout/weeks" element={<WeeksPage />} />
      <Route path="/growout/broods/:broodId" element={<GrowthPage />} />
      <Route path="/growout/sort/:lotId" element={<SortPage />} />
      <Route path="/growout/record/:speciesKey?" element={<GrowoutRecordPage />} />
      <Route path="/sales" element={<ReadyPage />} />
      <Route path="/sales/list" element={<ListPage />} />
      <Route path="/sales/orders" element={<OrdersPage />} />
      <Route path="/sales/orders/:orderId" element={<OrderPage />} />
      <Route path="/sales/sold" element={<SoldPage />} />
      <Route path="/sales/trail/:code" element={<TrailPage />} />
      <Route path="/sales/buyers" element={<BuyersPage />} />
      <Route path="/sales/money" element={<MoneyPage />} />
      <Route path="/bench" element={<BenchPage />} />
      <Route path="/phone" element={<PhonePage />} />
      <Route path="/t/:code" element={<CodePage />} />
      <Route path="/hours" element={<HoursPage />} />
      <Route path="/log" element={<LogPage />} />
      <Route path="/sources" element={<SourcesPage />} />
      <Route path="/rounds" element={<Navigate to="/" replace />} />
      <Route path="*" element={<Empty title="There’s no page here">Pick an area on the left.</Empty>} />
    </Routes>
  );
}

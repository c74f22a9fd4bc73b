import { lazy } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { LogPage, RoundsPage, SitterSheet, TankPage } from '../rounds';
import { ExposurePage, ProbesPage, RoomPage, WatersPage } from '../room';
import { Empty } from '../ui';

const page = <Key extends string>(load: () => Promise<Record<Key, React.ComponentType>>, key: Key) =>
  lazy(async () => ({ default: (await load())[key] }));

const stock = () => import('../stock');
const stockPage = (key: 'stock' | 'species' | 'lot' | 'sexing' | 'lines') =>
  lazy(async () => ({ default: await (await stock()).stockPages[key]() }));
const TransferSheet = lazy(async () => ({ default: (await stock()).TransferSheet }));
const StockPage = stockPage('stock');
const SpeciesPage = stockPage('species');
const LotPage = stockPage('lot');
const SexingPage = stockPage('sexing');
const LinesPage = stockPage('lines');
const spawning = () => import('../spawning');
const SpawnsPage = page(spawning, 'SpawnsPage');
const AttemptPage = page(spawning, 'AttemptPage');
const NewAttemptPage = page(spawning, 'NewAttemptPage');
const broods = () => import('../broods');
const BroodsPage = page(broods, 'BroodsPage');
const BroodPage = page(broods, 'BroodPage');
const LarderPage = page(() => import('../larder'), 'LarderPage');
const BenchPage = page(() => import('./BenchPage'), 'BenchPage');

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
      <Route path="/stock/:lotId" element={<LotPage />} />
      <Route path="/stock/:lotId/sexing" element={<SexingPage />} />
      <Route path="/stock/lines/:speciesKey/:view?" element={<LinesPage />} />
      <Route path="/species/:key?" element={<SpeciesPage />} />
      <Route path="/spawns" element={<SpawnsPage />} />
      <Route path="/spawns/new" element={<NewAttemptPage />} />
      <Route path="/spawns/:attemptId" element={<AttemptPage />} />
      <Route path="/broods" element={<BroodsPage />} />
      <Route path="/broods/:broodId" element={<BroodPage />} />
      <Route path="/larder" element={<LarderPage />} />
      <Route path="/bench" element={<BenchPage />} />
      <Route path="/log" element={<LogPage />} />
      <Route path="/rounds" element={<Navigate to="/" replace />} />
      <Route
        path="*"
        element={<Empty title="There is nothing at this address">The page may have moved; the areas are at the left.</Empty>}
      />
    </Routes>
  );
}

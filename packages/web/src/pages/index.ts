import { lazy } from 'react';

export const TankPage = lazy(async () => ({ default: (await import('./tank/TankPage')).TankPage }));
export const AttemptPage = lazy(async () => ({ default: (await import('./attempt/AttemptPage')).AttemptPage }));
export const BenchPage = lazy(async () => ({ default: (await import('./BenchPage')).BenchPage }));
export const SourcesPage = lazy(async () => ({ default: (await import('./SourcesPage')).SourcesPage }));
export const LogPage = lazy(async () => ({ default: (await import('./LogPage')).LogPage }));
export const SetUpSheet = lazy(async () => ({ default: (await import('./attempt/SetUpSheet')).SetUpSheet }));
export const EvidencePage = lazy(async () => ({ default: (await import('./evidence/EvidencePage')).EvidencePage }));
export const NewAttempt = lazy(async () => ({ default: (await import('./attempt/NewAttempt')).NewAttempt }));
export const PourPage = lazy(async () => ({ default: (await import('./pour/PourPage')).PourPage }));
export const PhonePage = lazy(async () => ({ default: (await import('./phone/PhonePage')).PhonePage }));
export const CodePage = lazy(async () => ({ default: (await import('./phone/CodePage')).CodePage }));

import { lazy } from 'react';

export const TransferSheet = lazy(async () => ({ default: (await import('./TransferSheet')).TransferSheet }));

/** A lot of broodstock as it came to Saltings Shed. */
export interface StockPlan {
  key: string;
  species: string;
  tank: string;
  /** Males, females, unsexed. */
  heads: [number, number, number];
  line?: string;
  generation?: string;
  origin: 'wild' | 'imported' | 'local' | 'ownBrood';
  from: string;
  daysAgo: number;
}

const THISTLEWICK = 'Thistlewick Aquatics';
const HERON = 'The Glass Heron';
const EXCHANGE = 'Quayside Exchange';
const AUCTION = "Marrow & District Fishkeepers' auction";

const lot = (
  key: string,
  species: string,
  tank: string,
  heads: StockPlan['heads'],
  origin: StockPlan['origin'],
  from: string,
  daysAgo: number,
  line?: string,
  generation?: string,
): StockPlan => ({
  key,
  species,
  tank,
  heads,
  origin,
  from,
  daysAgo,
  ...(line ? { line } : {}),
  ...(generation ? { generation } : {}),
});

export const STOCK: readonly StockPlan[] = [
  lot('angel', 'angelfish', 'A3.1', [1, 1, 0], 'local', EXCHANGE, 418, 'Quay', 'F2'),
  lot('angelB', 'angelfish', 'A3.1', [0, 1, 0], 'local', HERON, 300, 'Heron'),
  lot('krib', 'kribensis', 'A3.2', [1, 1, 0], 'imported', THISTLEWICK, 415, 'Shed', 'F1'),
  lot('boesemani', 'boesemans-rainbowfish', 'A3.3', [2, 4, 0], 'imported', THISTLEWICK, 410, 'Shed'),
  lot('limia', 'humpback-limia', 'A3.4', [2, 7, 0], 'local', AUCTION, 402, 'Marrow', 'F4'),
  lot('vittatus', 'telmatochromis-vittatus', 'A2.1', [1, 1, 0], 'imported', THISTLEWICK, 399),
  lot('shell', 'telmatochromis-shell', 'A2.2', [2, 4, 0], 'local', EXCHANGE, 397),
  lot('goodeid', 'butterfly-goodeid', 'A2.3', [2, 5, 0], 'local', AUCTION, 395, 'Ameca', 'F3'),
  lot('whiptail', 'red-lizard-whiptail', 'A2.4', [1, 2, 0], 'local', HERON, 392, 'Red'),
  lot('paradise', 'paradise-fish', 'B1.3', [1, 2, 0], 'local', EXCHANGE, 390),
  lot('lambchop', 'lambchop-rasbora', 'B2.1', [4, 5, 0], 'imported', THISTLEWICK, 388),
  lot('betta', 'fighting-fish', 'B1.4', [1, 0, 0], 'ownBrood', 'own brood', 260, 'Tern', 'F3'),
  lot('bettaF', 'fighting-fish', 'B2.1', [0, 1, 0], 'ownBrood', 'own brood', 260, 'Tern', 'F3'),
  lot('lemonM', 'lemon-tetra', 'B2.1', [4, 0, 0], 'local', HERON, 386, 'Quay', 'F2'),
  lot('lemonF', 'lemon-tetra', 'B2.1', [0, 5, 0], 'local', HERON, 386, 'Quay', 'F2'),
  lot('aspidoras', 'sixray-aspidoras', 'B2.2', [6, 0, 0], 'imported', THISTLEWICK, 405, 'Marsh'),
  lot('aspidorasF', 'sixray-aspidoras', 'B2.2', [0, 5, 0], 'imported', THISTLEWICK, 405, 'Marsh'),
  lot('forktail', 'forktail-blue-eye', 'B2.4', [3, 6, 0], 'local', AUCTION, 384),
  lot('golden', 'golden-dwarf-cichlid', 'B2.2', [1, 0, 0], 'imported', THISTLEWICK, 382),
  lot('goldenF', 'golden-dwarf-cichlid', 'B3.1', [0, 1, 0], 'imported', THISTLEWICK, 382),
  lot('babaulti', 'green-babaulti', 'B3.2', [0, 0, 38], 'local', EXCHANGE, 360, 'Green', 'F6'),
  lot('cajun', 'cajun-dwarf-crayfish', 'B3.3', [3, 5, 0], 'local', AUCTION, 377),
  lot('amano', 'amano-shrimp', 'B2.2', [6, 9, 0], 'imported', THISTLEWICK, 375),
  lot('danio', 'zebra-danio', 'A3.3', [4, 4, 0], 'local', HERON, 372),
  lot('cloud', 'white-cloud-minnow', 'Q2', [4, 6, 0], 'local', AUCTION, 9),
  lot('odessa', 'odessa-barb', 'Q1', [0, 0, 12], 'imported', THISTLEWICK, 16),
  lot('odessaOld', 'odessa-barb', 'B1.3', [2, 3, 0], 'local', EXCHANGE, 370),
  lot('mouth', 'dwarf-egyptian-mouthbrooder', 'Q4', [1, 3, 0], 'imported', THISTLEWICK, 21),
  lot('notho', 'rachows-nothobranch', 'C2.3', [1, 2, 0], 'ownBrood', 'own brood', 90, 'Beira', 'F5'),
  lot('ranchu', 'ranchu-goldfish', 'Y2', [3, 4, 0], 'local', EXCHANGE, 365),
  lot('yabby', 'yabby', 'Y3', [4, 8, 0], 'local', AUCTION, 360),
  lot('scud', 'hyalella', 'Y4', [0, 0, 400], 'local', EXCHANGE, 355),
];

import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import {
  bundled,
  factorWords,
  FEW,
  OUTCOMES,
  proposeNext,
  sureWords,
  USUAL_RULE,
  type EvidenceRow,
  type Outcome,
} from '@freshet/core/spawning';
import { formatNumber } from '@freshet/core/units';
import { showPercent, useGet, useHouse, type Reply } from '../data';
import { ButtonLink, Empty, LinkButton, Loaded, Notice, PageHead, SelectField, TextField, Why } from '../ui';
import { evidenceWork, useWork } from '../workers';

const OUTCOME_WORDS: Record<Outcome, string> = {
  spawned: 'spawned in time',
  fertile: 'eggs fertile',
  hatched: 'eggs hatched',
  swimming: 'young at swimming',
};
const LEVELS = ['0.05', '0.1', '0.2'];
const BAR = 168;

/** A share with its range: a dot on a line from nothing to all. */
function RateBar({ tally, isBetter }: { tally: EvidenceRow['with']; isBetter: boolean }) {
  const x = (share: number) => 4 + (BAR - 8) * share;
  const { low95, high95, mean } = tally.rate;
  return (
    <svg
      width={BAR}
      height={18}
      role="img"
      aria-label={`${tally.successes} of ${tally.trials}, likely ${showPercent(low95)} to ${showPercent(high95)}`}
    >
      <line x1={x(0)} x2={x(1)} y1={9} y2={9} stroke="var(--rule)" />
      <rect
        x={x(low95)}
        y={5}
        width={Math.max(2, x(high95) - x(low95))}
        height={8}
        fill={isBetter ? 'var(--fry)' : 'var(--water)'}
        stroke="var(--edge)"
      />
      <circle cx={x(mean)} cy={9} r={3.5} fill="var(--ink)" />
    </svg>
  );
}

function Row({ row }: { row: EvidenceRow }) {
  const better = row.probability >= 0.5;
  const side = (tally: EvidenceRow['with'], words: string, isBetter: boolean) => (
    <div className="flex flex-col">
      <RateBar tally={tally} isBetter={isBetter && row.claim} />
      <span>
        <b>
          {tally.successes} of {tally.trials}
        </b>{' '}
        {words}
      </span>
    </div>
  );
  return (
    <li
      className={`grid gap-x-5 gap-y-1 border-b border-rule py-2.5 md:grid-cols-[190px_minmax(0,1fr)_minmax(0,1fr)_230px] ${row.claim ? 'border-l-4 border-l-deep bg-sheet pl-3' : 'pl-4'}`}
    >
      <b className={row.claim ? '' : 'font-semibold text-quiet'}>{row.label}</b>
      {side(row.with, row.withWords, better)}
      {side(row.without, row.withoutWords, !better)}
      <span className={row.claim ? 'font-semibold' : 'text-quiet'}>
        {sureWords(row)}{' '}
        <Why
          about={row.label}
          inputs={[
            { label: row.withWords, value: `${row.with.successes} of ${row.with.trials}` },
            { label: row.withoutWords, value: `${row.without.successes} of ${row.without.trials}` },
            { label: 'Chance alone would give this split', value: row.p === null ? 'cannot be said' : showPercent(row.p) },
            { label: 'Corrected for all that was looked at', value: row.q === null ? 'cannot be said' : showPercent(row.q) },
          ]}
          formula="Each share by its own tally; how likely one lies above the other; Fisher’s exact test, corrected for the number of factors looked at."
          notes={[
            'In your tanks, with your fish: others may find otherwise.',
            ...(row.together.length > 0
              ? [
                  `Always stood together with: ${row.together.map((name) => factorWords(name).label.toLowerCase()).join(', ')}. Nothing tells them apart until they are tried one without the other.`,
                ]
              : []),
          ]}
          source="docs/sources.md#evidence-screen"
        />
        {row.often.length > 0 && (
          <span className="block text-note font-normal text-quiet">
            mostly went with{' '}
            {row.often
              .slice(0, 2)
              .map((name) => factorWords(name).label.toLowerCase())
              .join(', ')}
            ; may only stand for it
          </span>
        )}
        {row.together.length > 0 && (
          <span className="block text-note font-normal text-quiet">
            always together with {row.together.map((name) => factorWords(name).label.toLowerCase()).join(', ')}
          </span>
        )}
      </span>
    </li>
  );
}

type Several = {
  intercept: number;
  factors: { name: string; logOdds: number | null; sd: number | null; probPositive: number | null }[];
};

/** All factors at once: how each bears on it beside the others. */
function SeveralPlot({ several }: { several: Several }) {
  const shown = several.factors
    .flatMap(({ name, logOdds, sd, probPositive }) =>
      logOdds === null || sd === null ? [] : [{ name, logOdds, sd, probPositive }],
    )
    .sort((a, b) => Math.abs(b.logOdds / b.sd) - Math.abs(a.logOdds / a.sd))
    .slice(0, 16);
  const reach = Math.max(2, ...shown.map(({ logOdds, sd }) => Math.abs(logOdds) + 2 * sd));
  const width = 620;
  const x = (value: number) => 220 + ((width - 300) / 2) * (1 + value / reach);
  return (
    <div className="overflow-x-auto">
      <svg width={width} height={26 + shown.length * 22} role="img" aria-label="All factors at once, the surest first">
        <line x1={x(0)} x2={x(0)} y1={4} y2={10 + shown.length * 22} stroke="var(--edge)" />
        {shown.map(({ name, logOdds, sd, probPositive }, i) => (
          <g key={name} transform={`translate(0 ${8 + i * 22})`}>
            <text x={210} y={12} textAnchor="end" className="fill-ink text-note">
              {factorWords(name).label}
            </text>
            <line x1={x(logOdds - 2 * sd)} x2={x(logOdds + 2 * sd)} y1={8} y2={8} stroke="var(--deep)" strokeWidth={2} />
            <circle cx={x(logOdds)} cy={8} r={4} fill="var(--ink)" />
            <text x={width - 70} y={12} className="fill-quiet text-note">
              {probPositive === null ? '' : `${formatNumber(100 * Math.max(probPositive, 1 - probPositive))} % sure`}
            </text>
          </g>
        ))}
        <text x={x(0) - 8} y={22 + shown.length * 22} textAnchor="end" className="fill-quiet text-note">
          less often
        </text>
        <text x={x(0) + 8} y={22 + shown.length * 22} className="fill-quiet text-note">
          more often
        </text>
      </svg>
    </div>
  );
}

function Weighed({ records, speciesKey }: { records: Reply<'evidence'>; speciesKey: string }) {
  const house = useHouse();
  const [outcome, setOutcome] = useState<Outcome>('spawned');
  const [within, setWithin] = useState(String(USUAL_RULE.withinDays));
  const [share, setShare] = useState('70');
  const [level, setLevel] = useState('0.1');
  const [showAll, setShowAll] = useState(false);
  const [isSeveral, setIsSeveral] = useState(false);
  const [days, percent] = [Number(within.replace(',', '.')), Number(share.replace(',', '.'))];
  const rule = useMemo(
    () => ({
      outcome,
      withinDays: Number.isFinite(days) && days > 0 ? days : USUAL_RULE.withinDays,
      share: Number.isFinite(percent) && percent > 0 && percent <= 100 ? percent / 100 : USUAL_RULE.share,
    }),
    [outcome, days, percent],
  );
  const weighed = useWork(() => evidenceWork().weighEvidence(records, rule, Number(level)), [records, rule, level]);
  const several = useWork(isSeveral ? () => evidenceWork().severalAtOnce(records, rule) : null, [records, rule, isSeveral]);
  const last = records[0];
  const next = weighed && last ? proposeNext(weighed.rows, last.factors) : null;
  const rows = bundled(weighed?.rows ?? []);
  const telling = rows.filter(({ with: one, without }) => Math.min(one.trials, without.trials) >= FEW);
  const few = rows.length - telling.length;
  const shown = showAll ? rows : telling.slice(0, 9);
  const claims = rows.filter(({ claim }) => claim).length;
  return (
    <>
      <div className="mb-3 grid gap-4 sm:grid-cols-2 lg:grid-cols-[1.2fr_1fr_1fr_1fr]">
        <SelectField label="Worked means" value={outcome} onChange={(event) => setOutcome(event.target.value as Outcome)}>
          {OUTCOMES.map((one) => (
            <option key={one} value={one}>
              {OUTCOME_WORDS[one]}
            </option>
          ))}
        </SelectField>
        {outcome === 'spawned' ? (
          <TextField
            label="Within, days"
            inputMode="numeric"
            value={within}
            error={Number.isFinite(days) && days > 0 ? undefined : 'More than nothing.'}
            onChange={(event) => setWithin(event.target.value)}
          />
        ) : (
          <TextField
            label="At least, % of the eggs"
            inputMode="decimal"
            value={share}
            error={Number.isFinite(percent) && percent > 0 && percent <= 100 ? undefined : 'Above 0, at most 100 %.'}
            onChange={(event) => setShare(event.target.value)}
          />
        )}
        <SelectField
          label="False claims accepted"
          value={level}
          onChange={(event) => setLevel(event.target.value)}
          hint="of all that is claimed"
        >
          {LEVELS.map((one) => (
            <option key={one} value={one}>
              {showPercent(Number(one))}
            </option>
          ))}
        </SelectField>
      </div>
      {weighed && (
        <p className="mb-2">
          <b>
            {weighed.worked} of {weighed.tried}
          </b>{' '}
          attempts {OUTCOME_WORDS[outcome]}
          {weighed.tried < records.length && `; ${records.length - weighed.tried} cannot be judged yet`}.{' '}
          {claims === 0
            ? 'Nothing can be claimed yet; what leans is shown first.'
            : claims === 1
              ? 'One thing may be claimed.'
              : `${claims} things may be claimed.`}
        </p>
      )}
      {next && last && (
        <Notice look="deep" className="mb-3 flex flex-wrap items-center justify-between gap-3">
          <span>
            <b>Which next:</b> {next.words}
          </span>
          {house.may('keeper') && (
            <ButtonLink
              to={`/spawns/recipes/new?from=${last.id}&set=${encodeURIComponent(next.factor)}=${next.set ? 'yes' : 'no'}`}
            >
              Make a recipe of it
            </ButtonLink>
          )}
        </Notice>
      )}
      <ul className="border-t border-ink" aria-label="What was tried, the surest first">
        {shown.map((row) => (
          <Row key={row.factor} row={row} />
        ))}
      </ul>
      {weighed && weighed.rows.length === 0 && (
        <Empty title="Nothing to compare yet">
          Every attempt was alike in what is recorded, or none is over. Change one thing, and it can be weighed.
        </Empty>
      )}
      {weighed && (few > 0 || telling.length > 9 || showAll) && (
        <LinkButton className="mt-2" onClick={() => setShowAll(!showAll)}>
          {showAll
            ? 'Only what was tried often enough'
            : `Show all ${rows.length}${few > 0 ? `, ${few} of them tried too seldom to say` : ''}`}
        </LinkButton>
      )}
      <section aria-label="All at once" className="mt-5">
        <LinkButton onClick={() => setIsSeveral(!isSeveral)} aria-expanded={isSeveral}>
          {isSeveral ? 'Hide all factors at once' : 'All factors at once, beside each other'}
        </LinkButton>
        {isSeveral && several && <SeveralPlot several={several} />}
      </section>
      <p className="mt-4 text-note text-quiet">
        Belief against record: full moon and new moon are among the factors like everything else, worked out from the hour.
        Attempts:{' '}
        <Link to={`/spawns?species=${speciesKey}`} className="link">
          the list
        </Link>
        .
      </p>
    </>
  );
}

/** What worked, in these tanks? */
export function EvidencePage() {
  const { speciesKey = '' } = useParams();
  const navigate = useNavigate();
  const reply = useGet('evidence', { query: {} });
  const species = useGet('species');
  return (
    <Loaded reply={reply} what="what was tried">
      {(records) => {
        const counts = new Map<string, number>();
        for (const record of records) counts.set(record.speciesKey, (counts.get(record.speciesKey) ?? 0) + 1);
        const most = [...counts].sort((a, b) => b[1] - a[1]);
        const chosen = speciesKey || (most[0]?.[0] ?? '');
        const own = chosen === 'all' ? records : records.filter((record) => record.speciesKey === chosen);
        const nameOf = (key: string) => species.data?.find((kind) => kind.key === key)?.commonName ?? key;
        if (records.length === 0)
          return (
            <>
              <PageHead title="What worked" />
              <Empty title="No attempt yet" action={<ButtonLink to="/spawns/new">Start an attempt</ButtonLink>}>
                Every attempt that is logged, also those that failed, is weighed here.
              </Empty>
            </>
          );
        return (
          <>
            <PageHead title={`What worked: ${chosen === 'all' ? 'all species' : nameOf(chosen)}`}>
              <select
                aria-label="Species"
                className="control !w-auto"
                value={chosen}
                onChange={(event) => void navigate(`/spawns/evidence/${event.target.value}`)}
              >
                {most.map(([key, count]) => (
                  <option key={key} value={key}>
                    {nameOf(key)}, {count}
                  </option>
                ))}
                {!counts.has(chosen) && chosen !== 'all' && <option value={chosen}>{nameOf(chosen)}, none</option>}
                <option value="all">all together, {records.length}</option>
              </select>
            </PageHead>
            <Weighed key={chosen} records={own} speciesKey={chosen} />
          </>
        );
      }}
    </Loaded>
  );
}

import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { bundled, FEW, OUTCOMES, proposeNext, usualRule, type Outcome, type OutcomeRule } from '@freshet/core/spawning';
import { showPercent, useGet, useHouse, type Reply } from '../../data';
import { ButtonLink, Empty, LinkButton, Loaded, Notice, PageHead, SelectField, TextField } from '../../ui';
import { EvidenceLine } from './EvidenceRows';
import { SeveralPlot } from './SeveralPlot';
import { evidenceWork, useWork } from '../../workers';

const OUTCOME_WORDS: Record<Outcome, string> = {
  spawned: 'spawned in time',
  fertile: 'eggs fertile',
  hatched: 'eggs hatched',
  swimming: 'young at swimming',
};
const LEVELS = ['0.05', '0.1', '0.2'];
function Weighed({ records, speciesKey, usual }: { records: Reply<'evidence'>; speciesKey: string; usual: OutcomeRule }) {
  const house = useHouse();
  const [outcome, setOutcome] = useState<Outcome>('spawned');
  const [within, setWithin] = useState(String(usual.withinDays));
  const [share, setShare] = useState('70');
  const [level, setLevel] = useState('0.1');
  const [showAll, setShowAll] = useState(false);
  const [isSeveral, setIsSeveral] = useState(false);
  const [days, percent] = [Number(within.replace(',', '.')), Number(share.replace(',', '.'))];
  const rule = useMemo(
    () => ({
      outcome,
      withinDays: Number.isFinite(days) && days > 0 ? days : usual.withinDays,
      share: Number.isFinite(percent) && percent > 0 && percent <= 100 ? percent / 100 : usual.share,
    }),
    [outcome, days, percent, usual.withinDays, usual.share],
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
        <SelectField label="Counts as success" value={outcome} onChange={(event) => setOutcome(event.target.value as Outcome)}>
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
          label="Chance of a false alarm"
          value={level}
          onChange={(event) => setLevel(event.target.value)}
          hint="of everything said to work"
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
          spawnings {OUTCOME_WORDS[outcome]}
          {weighed.tried < records.length && `; ${records.length - weighed.tried} too early to judge`}.{' '}
          {claims === 0
            ? 'Nothing is sure yet. The likeliest come first.'
            : claims === 1
              ? 'One thing makes a difference.'
              : `${claims} things make a difference.`}
        </p>
      )}
      {next && last && (
        <Notice look="deep" className="mb-3 flex flex-wrap items-center justify-between gap-3">
          <span>
            <b>Try next:</b> {next.words}
          </span>
          {house.may('keeper') && (
            <ButtonLink
              to={`/spawns/recipes/new?from=${last.id}&set=${encodeURIComponent(next.factor)}=${next.set ? 'yes' : 'no'}`}
            >
              Make it a recipe
            </ButtonLink>
          )}
        </Notice>
      )}
      <ul className="border-t border-ink" aria-label="What you tried, the surest first">
        {shown.map((row) => (
          <EvidenceLine key={row.factor} row={row} />
        ))}
      </ul>
      {weighed && weighed.rows.length === 0 && (
        <Empty title="Nothing to compare yet">
          Your spawnings were all alike so far, or none has ended. Change one thing next time.
        </Empty>
      )}
      {weighed && (few > 0 || telling.length > 9 || showAll) && (
        <LinkButton className="mt-2" onClick={() => setShowAll(!showAll)}>
          {showAll
            ? 'Only what you tried often enough'
            : `Show all ${rows.length}${few > 0 ? `, ${few} of them tried too rarely to tell` : ''}`}
        </LinkButton>
      )}
      <section aria-label="All at once" className="mt-5">
        <LinkButton onClick={() => setIsSeveral(!isSeveral)} aria-expanded={isSeveral}>
          {isSeveral ? 'Hide the comparison' : 'Compare everything at once'}
        </LinkButton>
        {isSeveral && several && <SeveralPlot several={several} />}
      </section>
      <p className="mt-4 text-note text-quiet">
        The moon is in here too, worked out from the hour. All spawnings:{' '}
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
              <Empty title="No spawnings yet" action={<ButtonLink to="/spawns/new">Plan a spawning</ButtonLink>}>
                Every spawning you log is compared here, the failures too.
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
            <Weighed
              key={chosen}
              records={own}
              speciesKey={chosen}
              usual={usualRule(species.data?.find(({ key }) => key === chosen) ?? null)}
            />
          </>
        );
      }}
    </Loaded>
  );
}

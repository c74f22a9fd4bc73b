import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { CURVES, NURSERY_NITRATE, type Curve, type GrowthPicture } from '@freshet/core/growout';
import { everyDays, formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { showPercent, useHouse } from '../../data';
import { LengthsForm } from '../../stock';
import { Button, ButtonLink, Dialog, Empty, Loaded, Loading, Notice, PageHead, Panel, Segmented, Why } from '../../ui';
import { growoutWork, useHouseWork } from '../../workers';
import { GrowthChart } from './GrowthChart';
import { SelectForm } from './SelectForm';

const CURVE_WORDS: Record<Curve, string> = { gompertz: 'Slow start, then bending', vonBertalanffy: 'Fast start, then bending' };
const TARGET_WORDS = { sale: 'Sale', sexable: 'Sexes show', colour: 'Colour shows', mature: 'Can breed' } as const;
const SHARE_WORDS: Record<number, string> = { 0.1: 'first tenth', 0.5: 'half', 0.9: 'nine tenths' };

/** A day with the range it lies in: the likeliest first. */
function Window({ share, today }: { share: GrowthPicture['targets'][number]['shares'][number]; today: string }) {
  if (share.isNow) return <b>now</b>;
  if (share.mid === null) return <span className="text-quiet">not by this curve</span>;
  const edge = (day: string | null) => (day === null ? 'later' : formatDay(day, today));
  return (
    <>
      <b>{formatDay(share.mid, today)}</b>
      <span className="block text-note text-quiet">
        {edge(share.low)} – {edge(share.high)}
      </span>
    </>
  );
}

function When({ picture }: { picture: GrowthPicture }) {
  const house = useHouse();
  return (
    <table className="w-full text-left">
      <thead>
        <tr className="border-b border-ink text-note text-quiet">
          <th className="py-1 pr-2 font-normal">reached by</th>
          {picture.targets[0]?.shares.map(({ share }) => (
            <th key={share} className="py-1 pr-2 font-normal">
              {SHARE_WORDS[share]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {picture.targets.map(({ target, mm, isGuess, now, shares }) => (
          <tr key={target} className="border-b border-rule align-top">
            <th scope="row" className="py-1.5 pr-2 font-semibold">
              {TARGET_WORDS[target]}
              <span className="block text-note font-normal text-quiet">
                {formatNumber(mm)} mm{isGuess ? ', a guess' : ''}
                {now > 0.02 && now < 0.98 ? `; ${showPercent(now)} are` : ''}
              </span>
            </th>
            {shares.map((share) => (
              <td key={share.share} className="py-1.5 pr-2">
                <Window share={share} today={house.today} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Slow({ picture }: { picture: GrowthPicture }) {
  if (!picture.slow) return null;
  const { daysBehind, share, hints } = picture.slow;
  return (
    <Notice className="mt-3">
      <b>
        {daysBehind} days behind what is usual, {showPercent(1 - share)} shorter.
      </b>{' '}
      What else your records show (it may not be the cause):
      <ul className="list-disc pl-5">
        {hints.map((hint) => (
          <li key={hint}>{hint}</li>
        ))}
      </ul>
    </Notice>
  );
}

function Room({ picture }: { picture: GrowthPicture }) {
  const house = useHouse();
  return (
    <Panel
      title="Where they go"
      aside={
        <Link to="/growout" className="link">
          the plan of places
        </Link>
      }
    >
      {picture.crowding.map(({ tankId, code, tightOn, fullOn, water, movesTo }) => (
        <p key={tankId} className="border-b border-rule py-1.5">
          <Link to={`/tanks/${tankId}`} className="font-mono font-semibold link">
            {code}
          </Link>
          :{' '}
          {tightOn === null
            ? 'enough room for four months'
            : `${tightOn <= house.today ? 'getting full' : `getting full ${formatDay(tightOn, house.today)}`}${fullOn ? (fullOn <= house.today ? ', too full now' : `, full ${formatDay(fullOn, house.today)}`) : ''}`}
          {water && (
            <span className="block text-note text-quiet">
              Their food makes about {formatNumber(water.nitratePerDay)} mg/L nitrate a day:{' '}
              {water.change
                ? `${showPercent(water.change.share)} changed ${everyDays(water.change.everyDays)} would keep that below ${NURSERY_NITRATE} mg/L. Fry grow faster with bigger changes.`
                : `even half the water every day won’t keep it below ${NURSERY_NITRATE} mg/L. Feed less or split them.`}
            </span>
          )}
          {movesTo.map((move) => (
            <span key={move.code} className="block">
              {move.heads} go to <span className="font-mono">{move.code}</span> on {formatDay(move.on, house.today)}
            </span>
          ))}
        </p>
      ))}
    </Panel>
  );
}

function Growth({ picture, curve, setCurve }: { picture: GrowthPicture; curve: Curve; setCurve: (next: Curve) => void }) {
  const house = useHouse();
  const [sheet, setSheet] = useState<'measure' | 'select' | null>(null);
  const [chosen, setChosen] = useState('');
  const lots = picture.lotIds;
  const lot = lots.find(({ id }) => id === chosen) ?? lots[0];
  const off = picture.fits.find((fit) => fit.curve === curve)?.offMm ?? null;
  return (
    <>
      <PageHead
        title={`Growth of ${picture.name}`}
        about={
          <>
            <Link to={`/broods/${picture.broodId}`} className="link">
              {picture.alive} {picture.speciesName.toLowerCase()}
            </Link>
            , day {Math.floor(picture.ageDays)} of feeding: about <b>{formatNumber(picture.now.mid)} mm</b>, likely{' '}
            {formatNumber(picture.now.low)} to {formatNumber(picture.now.high)}
            {picture.isMeasured ? '' : ', estimated from the species: not measured yet'}
          </>
        }
      >
        {house.may('sitter') && lot && (
          <>
            <Button look={picture.isMeasured ? 'plain' : 'main'} onClick={() => setSheet('measure')}>
              Measure
            </Button>
            <ButtonLink to={`/growout/sort/${lot.id}`}>Sort by size</ButtonLink>
          </>
        )}
        {house.may('keeper') && lot && <Button onClick={() => setSheet('select')}>Look for faults</Button>}
      </PageHead>
      <div className="grid items-start gap-4 lg:grid-cols-[1.35fr_1fr]">
        <div className="min-w-0">
          <section aria-label="Growth" className="min-w-0 border border-ink bg-sheet px-2 py-3">
            <GrowthChart picture={picture} />
            <p className="flex flex-wrap gap-x-5 gap-y-1 px-2 pt-1 text-note text-quiet">
              <span>dots: measured, average and most of the range</span>
              <span>band: nine in ten</span>
              <span>dotted: usual for the species</span>
              {picture.sisters.length > 0 && <span>thin: {picture.sisters.map(({ name }) => name).join(', ')}</span>}
            </p>
          </section>
          <section className="mt-3 border border-ink bg-sheet">
            <Room picture={picture} />
          </section>
        </div>
        <div className="min-w-0">
          <section className="border border-ink bg-sheet">
            <Panel
              title="When"
              aside={
                <Why
                  about="The dates"
                  notes={[
                    'Every growth curve the species allows is weighed by how well it fits what you measured. The window holds nine in ten.',
                    `Lengths of one brood scatter by ${formatNumber(picture.cv * 100)} % of the mean: the first tenth comes long before the last.`,
                    picture.isMeasured
                      ? `${picture.samples.length === 1 ? 'One sample' : `${picture.samples.length} samples`}; the newest counts most.`
                      : 'From the species’ figures alone. Measure ten and the dates get much closer.',
                    'It leaves out deaths, sorting and slow growth from crowding.',
                  ]}
                  source="docs/sources.md#brood-growth"
                />
              }
            >
              <When picture={picture} />
              {picture.daysAhead !== null && Math.abs(picture.daysAhead) >= 2 && !picture.slow && (
                <p className="mt-2 text-note">
                  {formatNumber(Math.abs(picture.daysAhead))} days {picture.daysAhead > 0 ? 'ahead of' : 'behind'} what is usual.
                </p>
              )}
              {picture.moultDays !== null && (
                <p className="mt-2 text-note">
                  At this pace a moult about every {formatNumber(picture.moultDays)} days. Give shelters and minerals, and leave
                  soft ones alone.
                </p>
              )}
              <Slow picture={picture} />
              <div className="mt-3 flex flex-wrap items-center gap-3">
                <Segmented
                  label="Curve"
                  value={curve}
                  onChange={setCurve}
                  options={CURVES.map((value) => ({ value, label: CURVE_WORDS[value] }))}
                />
                {off !== null && <span className="text-note text-quiet">{formatNumber(off)} mm off what was measured</span>}
              </div>
            </Panel>
          </section>
        </div>
      </div>
      <Dialog
        title={sheet === 'select' ? 'Look for faults' : 'Lengths'}
        about={picture.name}
        open={sheet !== null}
        onClose={() => setSheet(null)}
        wide={sheet === 'select'}
      >
        {lots.length > 1 && (
          <label className="mb-4 flex flex-col gap-1 font-semibold">
            Which ones
            <select className="control font-normal" value={lot?.id} onChange={(event) => setChosen(event.target.value)}>
              {lots.map(({ id, code, heads }) => (
                <option key={id} value={id}>
                  {code}: {heads}
                </option>
              ))}
            </select>
          </label>
        )}
        {lot && sheet === 'measure' && <LengthsForm key={lot.id} lot={lot} done={() => setSheet(null)} />}
        {lot && sheet === 'select' && (
          <SelectForm key={lot.id} lot={{ ...lot, speciesKey: picture.speciesKey }} done={() => setSheet(null)} />
        )}
      </Dialog>
    </>
  );
}

/** How a brood grows: its lengths, its likely curve, and when shares of it are of a size. */
export function GrowthPage() {
  const { broodId = '' } = useParams();
  const [curve, setCurve] = useState<Curve>('gompertz');
  const { reply, answer } = useHouseWork(`${broodId} ${curve}`, (facts, now) => growoutWork().growth(facts, now, broodId, curve));
  return (
    <Loaded reply={reply} what="the brood">
      {() =>
        !answer ? (
          <Loading what="its growth" />
        ) : answer.made ? (
          <Growth picture={answer.made} curve={curve} setCurve={setCurve} />
        ) : (
          <Empty title="No fry growing yet">
            A brood shows here from its first feed. Log it free-swimming on{' '}
            <Link to={`/broods/${broodId}`} className="link">
              its page
            </Link>
            .
          </Empty>
        )
      }
    </Loaded>
  );
}

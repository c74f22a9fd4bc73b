import { Link, useParams } from 'react-router';
import { useGet } from '../data';
import { ButtonLink, Empty, Loaded, PageHead } from '../ui';
import { FemalesPanel } from './record/FemalesPanel';
import { KeptPanel } from './record/KeptPanel';
import { LossesPanel } from './record/LossesPanel';
import { SexRatioPanel } from './record/SexRatioPanel';
import { WaysPanel } from './record/WaysPanel';

/** How many of a species' young are kept in this house, which way keeps more, and where they are lost? */
export function RecordPage() {
  const { speciesKey = '' } = useParams();
  const species = useGet('species');
  const record = useGet('broodRecord', { params: { speciesKey } });
  const kind = species.data?.find(({ key }) => key === speciesKey);
  return (
    <Loaded reply={record} what="the broods of this species">
      {(outcomes) => (
        <>
          <PageHead
            title="Survival"
            about={
              <>
                <Link to={`/species/${speciesKey}`} className="link font-semibold">
                  {kind?.commonName ?? speciesKey}
                </Link>
                {`, ${outcomes.length === 1 ? 'one brood' : `${outcomes.length} broods`} of this house`}
              </>
            }
          >
            <ButtonLink to={`/spawns/evidence/${speciesKey}`}>What made them spawn</ButtonLink>
            <ButtonLink to="/broods">Broods</ButtonLink>
          </PageHead>
          {outcomes.length === 0 ? (
            <Empty title="No broods of this species yet">Survival and losses are worked out from what you log.</Empty>
          ) : (
            <div className="grid divide-y divide-rule border border-rule bg-sheet lg:grid-cols-2 lg:divide-x lg:divide-y-0">
              <div className="divide-y divide-rule">
                <KeptPanel outcomes={outcomes} isBorn={kind?.start === 'born'} />
                <FemalesPanel outcomes={outcomes} />
              </div>
              <div className="divide-y divide-rule">
                <WaysPanel outcomes={outcomes} />
                <LossesPanel outcomes={outcomes} />
                <SexRatioPanel speciesKey={speciesKey} outcomes={outcomes} />
              </div>
            </div>
          )}
        </>
      )}
    </Loaded>
  );
}

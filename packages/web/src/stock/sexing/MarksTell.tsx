import { sexing } from '@freshet/core/stock';
import { showPercent, type Reply } from '../../data';
import { Panel } from '../../ui';

type Trait = Reply<'sexing'>['traits'][number];

/** How many of each sex show a mark, as two bars; and what seeing it, or not, says from even odds. */
export function MarksTell({ traits }: { traits: readonly Trait[] }) {
  const male = ({ key, pIfMale, pIfFemale }: Trait, observed: boolean) =>
    sexing({ priorMale: 0.5, traits: [{ name: key, observed, pIfMale, pIfFemale }] }).pMale;
  const say = (pMale: number) => (pMale >= 0.5 ? `${showPercent(pMale)} a male` : `${showPercent(1 - pMale)} a female`);
  return (
    <Panel title="What each mark tells by itself">
      <ul className="grid gap-x-8 md:grid-cols-2">
        {traits.map((trait) => (
          <li key={trait.key} className="flex items-center gap-4 border-b border-rule py-2">
            <svg
              width={124}
              height={30}
              role="img"
              className="shrink-0"
              aria-label={`${showPercent(trait.pIfMale)} of males, ${showPercent(trait.pIfFemale)} of females show it`}
            >
              <text x={0} y={11} fontSize={11} fill="var(--quiet)">
                m
              </text>
              <text x={0} y={26} fontSize={11} fill="var(--quiet)">
                f
              </text>
              <rect x={14} y={3} width={108} height={9} fill="none" stroke="var(--edge)" />
              <rect x={14} y={18} width={108} height={9} fill="none" stroke="var(--edge)" />
              <rect x={14} y={3} width={108 * trait.pIfMale} height={9} fill="var(--deep)" />
              <rect x={14} y={18} width={108 * trait.pIfFemale} height={9} fill="var(--rust)" />
            </svg>
            <span className="min-w-0">
              <b>{trait.name}</b>
              <span className="block text-note">
                seen: {say(male(trait, true))}; not seen: {say(male(trait, false))}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
